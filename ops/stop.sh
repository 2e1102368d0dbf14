# Stops what start started, by process id.
source "$(dirname "${BASH_SOURCE[0]}")/lib.sh"

if ! is_running; then
  say 'Syndex does not run.'
  exit 0
fi
pid=$(cat "$run/supervisord.pid")
kill -TERM "$pid"
until_second=$((SECONDS + 40))
while kill -0 "$pid" 2>/dev/null; do
  [ $SECONDS -lt $until_second ] || fail "It does not end; process $pid still runs. See $log/supervisord.log."
  sleep 0.2
done
rm -f "$run/supervisord.pid"
say 'Stopped. The data is kept.'

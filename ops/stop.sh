# Stops what start started, by process id: the supervisor with all it runs, and whatever a killed one left behind.
source "$(dirname "${BASH_SOURCE[0]}")/lib.sh"

left=$(own_processes)
if [ -z "$left" ]; then
  rm -f "$run/supervisord.pid"
  say 'Syndex does not run.'
  exit 0
fi
# The supervisor first, so that it starts nothing anew; it has its own patience with each program.
grep ' supervisor$' <<<"$left" | end_processes 40 || true
own_processes | end_processes 20 || true
rm -f "$run/supervisord.pid"
[ -z "$(own_processes)" ] || fail "It does not end; these still run: $(own_processes | tr '\n' ';'). See $log/supervisord.log."
say 'Stopped. The data is kept.'

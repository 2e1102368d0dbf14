# Kills parts of a house of its own, again and again, while it sends a large meeting, and counts what became of the mails.
# Bounded, on this machine's loopback only. Usage: drill [--recipients N] [--kills N] [--seed N]
source "$(dirname "${BASH_SOURCE[0]}")/lib.sh"

recipients=300 kills=12 seed=$((RANDOM * 32768 + RANDOM))
while [ $# -gt 0 ]; do
  case "$1" in
    --recipients) shift; recipients=${1:-} ;;
    --kills) shift; kills=${1:-} ;;
    --seed) shift; seed=${1:-} ;;
    *) fail "drill knows --recipients N, --kills N and --seed N, not '$1'." ;;
  esac
  shift
done
[[ "$recipients" =~ ^[0-9]+$ && "$kills" =~ ^[0-9]+$ && "$seed" =~ ^[0-9]+$ ]] || fail 'After each of these stands a number.'
[ "$recipients" -ge 10 ] && [ "$recipients" -le 500 ] && [ "$kills" -le 40 ] || fail 'From 10 to 500 recipients, and 40 kills at most.'

house=$home/var-drill-$$
cleanup() { SYNDEX_VAR=$house bash "$home/ops/stop.sh" >/dev/null 2>&1 || true; rm -rf "$house"; }
trap cleanup EXIT
trap 'exit 130' INT TERM
step 'Starting a house for the drill'
SYNDEX_VAR=$house SYNDEX_HOLD_SECONDS=0 bash "$home/ops/start.sh" --empty --port "$(free_port)" >/dev/null 2>&1 || fail 'The house for the drill did not start.'
SYNDEX_VAR=$house php -d pcov.enabled=0 "$home/artisan" drill:run --recipients="$recipients" --kills="$kills" --seed="$seed"

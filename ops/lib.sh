# Shared by the verbs: where things lie, which ports they use, how long one waits.
set -euo pipefail
home=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
cd "$home"

# All state of a running Syndex; another folder is another house beside this one.
var=${SYNDEX_VAR:-$home/var}
export SYNDEX_VAR=$var

# A socket's path has little room; a clone that lies deep puts its sockets elsewhere.
run=$var/run
if [ ${#run} -gt 80 ]; then
  run=${TMPDIR:-/tmp}/syndex-$(id -u)-$(printf %s "$var" | sha256sum | cut -c1-12)
fi
log=$var/log
me=$(id -un)

say() { printf '%s\n' "$*"; }
step() { printf '%5ss  %s\n' "$SECONDS" "$*"; }
fail() { printf 'syndex: %s\n' "$*" >&2; exit 1; }

port_is_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

free_port() {
  php -r '$s = stream_socket_server("tcp://127.0.0.1:0"); echo substr(strrchr(stream_socket_get_name($s, false), ":"), 1);'
}

is_running() {
  [ -f "$run/supervisord.pid" ] && kill -0 "$(cat "$run/supervisord.pid")" 2>/dev/null
}

ctl() { /usr/bin/supervisorctl -c "$run/supervisord.conf" "$@"; }

# wait_for SECONDS WHAT COMMAND...
wait_for() {
  local until=$((SECONDS + $1)) what=$2
  shift 2
  until "$@" >/dev/null 2>&1; do
    [ $SECONDS -lt $until ] || fail "$what did not become ready. Look into $log, or run bin/syndex doctor."
    sleep 0.1
  done
}

# The value of a name in the file of settings.
setting() { [ -f "$var/app.env" ] || return 0; sed -n "s/^$1=//p" "$var/app.env" | tail -1; }

artisan() { php -d pcov.enabled=0 "$home/artisan" "$@"; }

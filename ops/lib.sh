# Shared by the verbs: where things lie, which ports they use, how long one waits.
set -euo pipefail
home=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
cd "$home"

# All state of a running Syndex; another folder is another house beside this one.
var=${SYNDEX_VAR:-$home/var}
export SYNDEX_VAR=$var

# A socket's path has little room; a clone that lies deep puts its sockets elsewhere.
mark=$(printf %s "$var" | sha256sum | cut -c1-12)
run=$var/run
if [ ${#run} -gt 80 ]; then
  run=${TMPDIR:-/tmp}/syndex-$(id -u)-$mark
fi
log=$var/log
me=$(id -un)
# By this name the PHP processes of this house are told from those of another.
pool=syndex-$mark

say() { printf '%s\n' "$*"; }
step() { printf '%5ss  %s\n' "$SECONDS" "$*"; }
fail() { printf 'syndex: %s\n' "$*" >&2; exit 1; }

# Whoever may not write there is told in one line, whatever is wrong with the folder.
must_write() {
  local folder=$1
  { mkdir -p "$folder" && [ -d "$folder" ] && [ -w "$folder" ] && : >"$folder/.writable" && rm -f "$folder/.writable"; } 2>/dev/null \
    || fail "The folder $folder cannot be written by $me. Make it yours, or choose another:  SYNDEX_VAR=/another/folder bin/syndex start"
}

port_is_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# free_port [NOT ...]: below those that the kernel gives to outgoing connections, so that none of them takes it meanwhile, and none of
# those that were chosen already and are not listened at yet.
free_port() {
  php -r '$not = array_slice($argv, 1); do { $port = random_int(10240, 32767); $s = in_array((string) $port, $not, true) ? false : @stream_socket_server("tcp://127.0.0.1:$port"); } while ($s === false); echo $port;' -- "$@"
}

# own_processes [PROGRAM]: "pid start program" of each process of this house
own_processes() { php -d pcov.enabled=0 "$home/ops/processes.php" "$var" "$run" "$log" "$pool" "$@"; }

# Ticks at which a process began; nothing if there is none. A number that was given away again has another.
began() { sed 's/^.*) //' "/proc/$1/stat" 2>/dev/null | cut -d' ' -f20; }

# The supervisor of this house, if it runs: not whoever has its number by now.
supervisor_pid() { own_processes supervisor | head -1 | cut -d' ' -f1; }
is_running() { [ -n "$(supervisor_pid)" ]; }

# end_processes SECONDS: ends the processes read from standard input, each as own_processes lists it, at last by force
end_processes() {
  local seconds=$1 lines pid start rest until
  lines=$(cat)
  [ -n "$lines" ] || return 0
  while read -r pid start rest; do [ "$(began "$pid")" = "$start" ] && kill -TERM "$pid" 2>/dev/null || true; done <<<"$lines"
  until=$((SECONDS + seconds))
  while read -r pid start rest; do
    while [ "$(began "$pid")" = "$start" ]; do
      if [ $SECONDS -ge $until ]; then
        kill -KILL "$pid" 2>/dev/null || true
        break
      fi
      sleep 0.1
    done
  done <<<"$lines"
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

# has_extension NAME: the list is read once, since a pipe that is closed early counts as failed.
php_extensions=''
has_extension() {
  [ -n "$php_extensions" ] || php_extensions=$(php -m 2>/dev/null || true)
  grep -qix "$1" <<<"$php_extensions"
}

artisan() { php -d pcov.enabled=0 "$home/artisan" "$@"; }

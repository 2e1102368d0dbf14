# Starts everything on loopback, sets it up first where needed, and prints the address.
source "$(dirname "${BASH_SOURCE[0]}")/lib.sh"

demo=true
asked_port=''
while [ $# -gt 0 ]; do
  case "$1" in
    --empty) demo=false ;;
    --port) shift; asked_port=${1:-}; [[ "$asked_port" =~ ^[0-9]+$ ]] || fail 'After --port stands a number.' ;;
    *) fail "start knows --empty and --port N, not '$1'." ;;
  esac
  shift
done

must_write "$var"
print_address() {
  say ''
  say "Syndex runs at  http://127.0.0.1:$(setting HTTP_PORT)"
  if [ "$(setting SYNDEX_DEMO)" = true ]; then
    say "Sign in as      wanjiru.achola@sakura-seed.example   password  seedling-demo"
    say "                (the sign-in page offers this and three more demo accounts)"
  else
    say 'It is empty: the page asks for the first account.'
  fi
  say "Post room       $(setting POSTROOM_PAGE)   every mail that was sent, as it arrived"
  say 'Stop it with    bin/syndex stop'
}

if is_running; then
  say 'Syndex runs already.'
  [ -z "$asked_port" ] || [ "$asked_port" = "$(setting HTTP_PORT)" ] || say "To move it to port $asked_port, stop it first."
  print_address
  exit 0
fi

if [ "$demo" = false ] && [ "$(setting SYNDEX_DEMO)" = true ]; then
  fail "There is a demo in $var already. To begin empty beside it:
  SYNDEX_VAR=$home/var-empty bin/syndex start --empty"
fi

SYNDEX_QUIET=1 bash "$home/ops/setup.sh" ${SYNDEX_FOR_TESTS:+--for-tests}

if [ -n "$(own_processes)" ]; then
  step 'Ending what an earlier run left behind'
  own_processes | end_processes 20
fi

port=${asked_port:-$(setting HTTP_PORT)}
port=${port:-8080}
wanted=$port
while ! port_is_free "$port"; do port=$((port + 1)); done
[ "$port" = "$wanted" ] || say "Port $wanted is taken by another program; Syndex takes $port instead."

first=no
[ -d "$var/db/mysql" ] || first=yes
source "$home/ops/configure.sh"

if [ $first = yes ]; then
  step 'Making the database'
  mariadb-install-db --no-defaults --datadir="$var/db" --auth-root-authentication-method=normal --skip-test-db --user="$me" >"$log/install-db.log" 2>&1 \
    || fail "The database could not be made; see $log/install-db.log"
fi

step 'Starting servers'
rm -f "$run"/*.sock
/usr/bin/supervisord -c "$run/supervisord.conf"
root_password=$(setting DB_ROOT_PASSWORD)
[ $first = yes ] && root_password=''
sql() { MYSQL_PWD=$root_password mariadb --no-defaults --socket="$run/db.sock" --user=root "$@"; }
wait_for 60 'The database' sql -e 'select 1'

if [ $first = yes ]; then
  sql <<SQL
create database if not exists syndex character set utf8mb4 collate utf8mb4_unicode_ci;
create user if not exists 'syndex'@'localhost' identified by '$(setting DB_PASSWORD)';
create user if not exists 'syndex'@'127.0.0.1' identified by '$(setting DB_PASSWORD)';
grant all privileges on \`syndex%\`.* to 'syndex'@'localhost';
grant all privileges on \`syndex%\`.* to 'syndex'@'127.0.0.1';
set password for 'root'@'localhost' = password('$(setting DB_ROOT_PASSWORD)');
SQL
fi

if [ $first = yes ] && [ -n "${SYNDEX_RESTORE_SQL:-}" ]; then
  step 'Bringing back what was kept'
  root_password=$(setting DB_ROOT_PASSWORD)
  sql syndex <"$SYNDEX_RESTORE_SQL" || fail 'The database could not be brought back.'
fi

step 'Bringing the tables up to date'
artisan migrate --force --quiet
if [ $first = yes ] && [ "$demo" = true ] && [ -z "${SYNDEX_RESTORE_SQL:-}" ]; then
  step 'Making the demo data'
  wait_for 30 'The calendars' curl -fsS -o /dev/null "$(setting CALENDARS_URL)/asked"
  artisan db:seed --class='Database\Seeders\DemoSeeder' --force --quiet
fi
artisan occurrences:top-up --quiet
# Settings, routes and events written down, so that no request has to put them together; bootstrap/caches.php lets them go when code changes.
mkdir -p "$var/cache"
rm -f "$var"/cache/*.php
artisan zones:write "$var/cache/zones.php" --quiet
(umask 077; APP_CONFIG_CACHE="$var/cache/config.php" APP_ROUTES_CACHE="$var/cache/routes.php" APP_EVENTS_CACHE="$var/cache/events.php" ZONE_TABLES="$var/cache/zones.php" artisan optimize --except=views --quiet)
ctl start outbox queue feeds:* scheduler >/dev/null
wait_for 30 'The web server' curl -fsS -o /dev/null "http://127.0.0.1:$port/api/session"
wait_for 30 'The post room' curl -fsS -o /dev/null "$(setting POSTROOM_PAGE)/"
step 'Ready'
print_address

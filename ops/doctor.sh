# Looks for faults and says how to mend each.
source "$(dirname "${BASH_SOURCE[0]}")/lib.sh"

faults=0
good() { printf '  ok     %s\n' "$*"; }
bad() { printf '  FAULT  %s\n         %s\n' "$1" "$2"; faults=$((faults + 1)); }

say 'Programs'
for entry in php:'php -r "echo PHP_VERSION;"' composer:'composer --version --no-ansi 2>/dev/null | head -1' node:'node --version' npm:'npm --version 2>/dev/null' \
  mariadbd:'/usr/sbin/mariadbd --version | sed "s/.*Ver //"' nginx:'/usr/sbin/nginx -v 2>&1' php-fpm:'/usr/sbin/php-fpm8.2 -v | head -1' supervisord:'/usr/bin/supervisord --version'; do
  name=${entry%%:*}
  if version=$(bash -c "${entry#*:}" 2>/dev/null) && [ -n "$version" ]; then good "$name  $version"; else bad "$name is not installed." 'Run  bin/syndex setup  (as root, or ask whoever runs this machine).'; fi
done
for extension in pdo_mysql intl mbstring curl dom pcntl posix; do
  has_extension "$extension" || bad "PHP lacks $extension." 'Run  bin/syndex setup.'
done
[ -e /usr/lib/nginx/modules/ngx_nchan_module.so ] && good 'nginx can push to pages' || bad 'nginx cannot push to pages.' 'Run  bin/syndex setup;  it installs libnginx-mod-nchan.'

say 'Zone data'
version=$(sed -n '1s/^# version //p' /usr/share/zoneinfo/tzdata.zi 2>/dev/null || true)
if [ -n "$version" ]; then
  good "version $version"
  year=${version%%[a-z]*}
  [ "$year" -ge $(($(date +%Y) - 1)) ] || bad "They are from $year." 'Clocks may have changed since: apt-get install --only-upgrade tzdata, then  bin/syndex stop  and  start.'
else
  bad 'There are none.' 'Install tzdata:  apt-get install tzdata'
fi

say 'Parts'
[ -f vendor/autoload.php ] && good 'PHP packages are there' || bad 'PHP packages are missing.' 'Run  bin/syndex setup.'
[ -f build/common-passwords.txt ] && good 'the list of common passwords is there' || bad 'The list of common passwords is missing.' 'Run  bin/syndex setup.'
[ -f public/build/manifest.json ] && good 'the interface is built' || bad 'The interface is not built.' 'Run  bin/syndex setup.'

# Tells what a command found out: a line each, kind, text and remedy.
facts() {
  local found
  found=$(artisan "$1" 2>/dev/null) || return 1
  while IFS='|' read -r kind text remedy; do
    [ "$kind" = ok ] && good "$text" || bad "$text" "$remedy"
  done <<<"$found"
}

say 'What runs'
if is_running; then :; elif [ -n "$(own_processes)" ]; then bad 'Processes of an earlier run are left.' 'Run  bin/syndex start  or  stop;  both end them.'; fi
if ! is_running; then
  bad 'Syndex does not run.' 'Start it:  bin/syndex start'
else
  while read -r name state rest; do
    [ "$state" = RUNNING ] && good "$name  $rest" || bad "$name is $state." "Look at $log/$name.log, then  bin/syndex stop  and  start."
  done < <(ctl status || true)
  for entry in HTTP_PORT:pages DB_PORT:database LIVE_PUBLISH_PORT:push POSTROOM_SMTP_PORT:mail POSTROOM_PAGE_PORT:'post room' BRIDGE_PORT:bridge CALENDARS_PORT:calendars; do
    port=$(setting "${entry%%:*}")
    port_is_free "$port" && bad "Port $port (${entry#*:}) does not answer." "Look at $log." || good "port $port  ${entry#*:}"
  done
  facts doctor:facts || bad 'The database does not answer.' "Look at $log/database.log."

  say 'Mail'
  facts doctor:mail || bad 'What the DNS says of mail could not be looked at.' "Look at $log."
fi

say 'Room'
free=$(df -Pk "$home" | awk 'NR==2 {print int($4 / 1024)}')
[ "$free" -gt 500 ] && good "$free MB free" || bad "Only $free MB are free." 'Make room: the database needs it first.'

if [ $faults -eq 0 ]; then say ''; say 'No faults found.'; else say ''; say "$faults found."; exit 1; fi

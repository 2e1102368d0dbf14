# Measures, beside a reference in the same run. Needs no running Syndex for the core; starts a house of its own for the board.
source "$(dirname "${BASH_SOURCE[0]}")/lib.sh"
SYNDEX_QUIET=1 bash "$home/ops/setup.sh"

say 'Core: recurrence, zone-resolved instants a second inside the process (dateutil: Debian'\''s python3-dateutil, one thread each)'
php -d pcov.enabled=0 -d memory_limit=512M "$home/ops/bench/recurrence.php"

say ''
say 'Core: bin/syndex core expand as a whole process, output included'
php -d pcov.enabled=0 "$home/ops/bench/whole.php"

say ''
say 'Core: bin/syndex core overlap as a whole process, beside the plain solver of the tests (aim: 20 times on the large load)'
php -d pcov.enabled=0 -d memory_limit=1G "$home/ops/bench/overlap.php"

house=$home/var-bench-$$
cleanup() { SYNDEX_VAR=$house bash "$home/ops/stop.sh" >/dev/null 2>&1 || true; rm -rf "$house"; }
trap cleanup EXIT
say ''
say 'Application: a house of its own is started'
SYNDEX_VAR=$house bash "$home/ops/start.sh" --port "$(free_port)" >/dev/null 2>&1 || fail 'The house for the bench did not start.'
SYNDEX_VAR=$house php -d pcov.enabled=0 "$home/artisan" bench:app
say ''
say 'Interface: in the Chromium of the browser tests'
php -d pcov.enabled=0 "$home/ops/bench/sheet.php" "$(var=$house; setting APP_URL)"

# Takes the pictures of docs/screenshots anew, from a running demo.
source "$(dirname "${BASH_SOURCE[0]}")/lib.sh"
is_running || fail 'Syndex does not run. Start it first:  bin/syndex start'
[ "$(setting SYNDEX_DEMO)" = true ] || fail 'Pictures are made from the demo data only.'
exec php -d pcov.enabled=0 "$home/ops/shots.php" "$(setting APP_URL)" "$(setting POSTROOM_PAGE)"

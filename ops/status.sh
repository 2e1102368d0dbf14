# Says what runs.
source "$(dirname "${BASH_SOURCE[0]}")/lib.sh"

if ! is_running; then
  say 'Syndex does not run. Start it with  bin/syndex start'
  exit 1
fi
ctl status || true
say ''
say "Syndex     http://127.0.0.1:$(setting HTTP_PORT)"
say "Post room  $(setting POSTROOM_PAGE)"

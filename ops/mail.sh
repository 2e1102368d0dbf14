# Takes mail in: what the pipe of a mail server calls, with one mail on standard input (docs/mail.md).
source "$(dirname "${BASH_SOURCE[0]}")/lib.sh"

if [ "${1:-}" != receive ]; then
  fail 'Say what to do with mail:  bin/syndex mail receive [--sender=ADDRESS] [--recipient=ADDRESS ...] < MAIL'
fi
shift
# 75: a mail server tries again later.
is_running || { say 'Syndex does not run.'; exit 75; }
exec php -d pcov.enabled=0 "$home/artisan" mail:receive "$@"

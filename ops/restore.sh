# Makes a house of what backup wrote, in a folder where there is none yet.
# Usage: restore FILE [--port N]
source "$(dirname "${BASH_SOURCE[0]}")/lib.sh"

file=${1:-}
[ -n "$file" ] || fail 'Name the file to restore:  bin/syndex restore /somewhere/safe/syndex.tar.gz'
shift
case "$file" in /*) ;; *) file=${OLDPWD:-$PWD}/$file ;; esac
[ -r "$file" ] || fail "$file cannot be read."
must_write "$var"
[ ! -e "$var/db" ] && [ ! -e "$var/app.env" ] || fail "There is a house in $var already, and it is left alone. Restore into an empty one:
  SYNDEX_VAR=/another/folder bin/syndex restore $file"

umask 077
work=$(mktemp -d "$var/restore.XXXXXX")
trap 'rm -rf "$work"' EXIT
step 'Checking the file'
tar -C "$work" -xzf "$file" 2>/dev/null || fail "$file is not what backup writes, or is broken. Nothing was restored."
(cd "$work/house" 2>/dev/null && sha256sum --quiet -c sums >/dev/null 2>&1) || fail "$file is broken: it does not hold what was written into it. Nothing was restored."
[ "$(tail -1 "$work/house/db.sql")" = '-- complete' ] || fail "$file was not written whole. Nothing was restored."

cp "$work/house/app.env" "$var/app.env"
cp -r "$work/house/postroom" "$work/house/bridge" "$var/"
  [ ! -d "$work/house/calendars" ] || cp -r "$work/house/calendars" "$var/"
if ! SYNDEX_RESTORE_SQL=$work/house/db.sql bash "$home/ops/start.sh" "$@"; then
  # Half a house would look like a whole one to the next start.
  bash "$home/ops/stop.sh" >/dev/null 2>&1 || true
  rm -rf "$var/db" "$var/app.env" "$var/postroom" "$var/bridge" "$var/calendars"
  fail "The house could not be restored, and what was begun in $var was taken away again; $file is untouched. The reason stands above, more in $log."
fi

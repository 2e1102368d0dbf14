# Writes everything of the house into one file, with its keys, and checks what was written.
# Usage: backup FILE
source "$(dirname "${BASH_SOURCE[0]}")/lib.sh"

file=${1:-}
[ -n "$file" ] || fail 'Name the file to write:  bin/syndex backup /somewhere/safe/syndex.tar.gz'
case "$file" in /*) ;; *) file=${OLDPWD:-$PWD}/$file ;; esac
[ ! -e "$file" ] || fail "$file is there already; nothing was written. Choose another name."
is_running || fail 'Syndex does not run. Start it first:  bin/syndex start'

umask 077
work=$(mktemp -d "$var/backup.XXXXXX")
scratch=syndex_backup_check
sql() { MYSQL_PWD=$(setting DB_ROOT_PASSWORD) mariadb --no-defaults --socket="$run/db.sock" --user=root "$@"; }
cleanup() { sql -e "drop database if exists $scratch" 2>/dev/null || true; rm -rf "$work" "$file.part"; }
trap cleanup EXIT

step 'Writing'
mkdir "$work/house"
# One moment of the database, while everybody goes on working in it.
MYSQL_PWD=$(setting DB_ROOT_PASSWORD) mariadb-dump --no-defaults --socket="$run/db.sock" --user=root --single-transaction --quick --hex-blob --skip-comments --skip-dump-date syndex >"$work/house/db.sql" \
  || fail 'The database could not be read.'
printf '%s\n' '-- complete' >>"$work/house/db.sql"
cp "$var/app.env" "$work/house/app.env"
cp -r "$var/postroom" "$var/bridge" "$var/calendars" "$work/house/"
(cd "$work/house" && find . -type f ! -name sums -print0 | LC_ALL=C sort -z | xargs -0 sha256sum >sums)
tar -C "$work" -czf "$file.part" house || fail "$file could not be written."

step 'Checking what was written'
mkdir "$work/check"
tar -C "$work/check" -xzf "$file.part"
(cd "$work/check/house" && sha256sum --quiet -c sums) || fail 'What was written does not read back the same.'
[ "$(tail -1 "$work/check/house/db.sql")" = '-- complete' ] || fail 'The database was not written whole.'
sql -e "drop database if exists $scratch; create database $scratch character set utf8mb4 collate utf8mb4_unicode_ci"
sql "$scratch" <"$work/check/house/db.sql" || fail 'What was written cannot be read back by the database.'
facts=$(DB_DATABASE=$scratch artisan backup:check "$work/check/house/app.env") || fail "What was written cannot be used: $facts"

mv "$file.part" "$file"
step "$facts"
say "Kept in $file ($(du -h "$file" | cut -f1)). It holds the keys of the house: keep it where nobody else reads it."

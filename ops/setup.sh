# Installs and builds what is missing. Safe to repeat: what is there is left alone.
source "$(dirname "${BASH_SOURCE[0]}")/lib.sh"

needed=(
  php8.2-cli:/usr/bin/php8.2 php8.2-fpm:/usr/sbin/php-fpm8.2 php8.2-mysql:pdo_mysql php8.2-curl:curl php8.2-zip:zip php8.2-intl:intl
  php8.2-mbstring:mbstring php8.2-xml:dom php8.2-cli:pcntl php8.2-cli:posix mariadb-server:/usr/sbin/mariadbd nginx:/usr/sbin/nginx
  libnginx-mod-nchan:/usr/lib/nginx/modules/ngx_nchan_module.so supervisor:/usr/bin/supervisord unzip:/usr/bin/unzip
  composer:composer nodejs:node npm:npm
)
if [ "${1:-}" = --for-tests ]; then
  needed+=(chromium:/usr/bin/chromium chromium-driver:/usr/bin/chromedriver khal:/usr/bin/khal vdirsyncer:/usr/bin/vdirsyncer python3-dkim:/usr/lib/python3/dist-packages/dkim python3-icalendar:/usr/lib/python3/dist-packages/icalendar python3-dateutil:/usr/lib/python3/dist-packages/dateutil libical-dev:/usr/include/libical/ical.h gcc:/usr/bin/cc libc6-dev:/usr/include/stdio.h)
fi

have() {
  case "$1" in
    /*) [ -e "$1" ] ;;
    composer | node | npm) command -v "$1" >/dev/null ;;
    *) has_extension "$1" ;;
  esac
}

missing=()
for entry in "${needed[@]}"; do
  have "${entry#*:}" || missing+=("${entry%%:*}")
done
if [ ${#missing[@]} -gt 0 ]; then
  step "Installing from Debian: ${missing[*]}"
  [ "$(id -u)" = 0 ] || fail "These Debian packages are missing: ${missing[*]}
Ask whoever runs this machine to install them:  apt-get install ${missing[*]}"
  mkdir -p "$var/log"
  # Package scripts must not start servers of their own: Syndex has private ones.
  policy=/usr/sbin/policy-rc.d
  own_policy=no
  [ -e $policy ] || { printf '#!/bin/sh\nexit 101\n' >$policy; chmod +x $policy; own_policy=yes; }
  { apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}"; } >"$var/log/apt.log" 2>&1 \
    || { [ $own_policy = yes ] && rm -f $policy; fail "apt-get could not install them; see $var/log/apt.log"; }
  # Pages come sooner with it; nothing is missing without it.
  DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends libnginx-mod-http-brotli-static >>"$var/log/apt.log" 2>&1 || true
  [ $own_policy = yes ] && rm -f $policy
fi

must_write "$home/var"
stamps=$home/var/stamps
mkdir -p "$stamps"

# stamped NAME FILES... : whether these files are as they were when NAME was last done
fingerprint() { cat "$@" 2>/dev/null | sha256sum | cut -d' ' -f1; }

php_inputs=(composer.json core/composer.json packages/pins/composer.json)
now=$(fingerprint "${php_inputs[@]}")
if [ ! -f vendor/autoload.php ] || [ "$(cat "$stamps/php" 2>/dev/null)" != "$now" ]; then
  step 'Installing PHP packages'
  COMPOSER_ALLOW_SUPERUSER=1 composer install --no-interaction --no-progress --no-scripts --quiet \
    || fail 'Composer could not install the PHP packages; run "composer install" to see why.'
  printf %s "$now" >"$stamps/php"
fi

now=$(fingerprint package.json package-lock.json)
if [ ! -d node_modules ] || [ "$(cat "$stamps/npm" 2>/dev/null)" != "$now" ]; then
  step 'Installing packages of the interface'
  npm ci --no-audit --no-fund --loglevel=error >/dev/null || fail 'npm could not install the packages; run "npm ci" to see why.'
  printf %s "$now" >"$stamps/npm"
fi

now=$(find resources/js resources/css vite.config.ts tsconfig.json package-lock.json -type f -not -name '*.test.ts*' 2>/dev/null | LC_ALL=C sort | xargs cat | sha256sum | cut -d' ' -f1)
if [ ! -f public/build/manifest.json ] || [ "$(cat "$stamps/build" 2>/dev/null)" != "$now" ]; then
  step 'Building the interface'
  npx --no-install vite build --logLevel error >/dev/null || fail 'The interface could not be built; run "npx vite build" to see why.'
  node ops/compress.mjs public/build || fail 'The interface could not be compressed; run "node ops/compress.mjs public/build" to see why.'
  printf %s "$now" >"$stamps/build"
fi
if [ ! -f build/common-passwords.txt ] || [ "$(cat "$stamps/passwords" 2>/dev/null)" != "$now" ]; then
  mkdir -p build
  node ops/common-passwords.mjs build/common-passwords.txt || fail 'The list of common passwords could not be written; run "node ops/common-passwords.mjs build/common-passwords.txt" to see why.'
  printf %s "$now" >"$stamps/passwords"
fi
# The holidays of last year and the seven that follow: written anew each year.
now=$(fingerprint package-lock.json ops/holidays.mjs)-$(date +%Y)
if [ ! -f build/holidays/years.json ] || [ "$(cat "$stamps/holidays" 2>/dev/null)" != "$now" ]; then
  step 'Writing down public holidays'
  mkdir -p build
  node ops/holidays.mjs build/holidays "$(date +%Y)" || fail "The public holidays could not be written; run \"node ops/holidays.mjs build/holidays $(date +%Y)\" to see why."
  printf %s "$now" >"$stamps/holidays"
fi
[ "${SYNDEX_QUIET:-}" = 1 ] || step 'Set up'

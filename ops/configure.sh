# Writes the settings and the configurations of the servers into the folder of state. Sourced by start.
mkdir -p "$var" "$run" "$log" "$var/storage/framework/views" "$var/storage/logs" "$var/storage/app" "$var/postroom" "$var/bridge" "$var/calendars" "$run/nginx"
chmod 700 "$var" "$run"

# keep NAME DEFAULT: what the settings say already, else the default
keep() { local value; value=$(setting "$1"); printf %s "${value:-$2}"; }
secret() { php -r 'echo bin2hex(random_bytes(24));'; }
# kept_port NAME NOT ...: the port of before if it is free, else another; none of those that are spoken for
kept_port() {
  local kept; kept=$(setting "$1"); shift
  if [ -n "$kept" ] && port_is_free "$kept" && [[ " $* " != *" $kept "* ]]; then printf %s "$kept"; else free_port "$@"; fi
}

# One invented guest of the demo has an address that does not exist.
refuse=''
[ "$(keep SYNDEX_DEMO "$demo")" = true ] && refuse=rosa.quispe@anden.example

key=$(keep APP_KEY "base64:$(php -r 'echo base64_encode(random_bytes(32));')")
db_password=$(keep DB_PASSWORD "$(secret)")
root_password=$(keep DB_ROOT_PASSWORD "$(secret)")
bridge_key=$(keep BRIDGE_KEY "$(secret)")
db_port=$(kept_port DB_PORT "$port")
publish_port=$(kept_port LIVE_PUBLISH_PORT "$port" "$db_port")
smtp_port=$(kept_port POSTROOM_SMTP_PORT "$port" "$db_port" "$publish_port")
page_port=$(kept_port POSTROOM_PAGE_PORT "$port" "$db_port" "$publish_port" "$smtp_port")
bridge_port=$(kept_port BRIDGE_PORT "$port" "$db_port" "$publish_port" "$smtp_port" "$page_port")
calendars_port=$(kept_port CALENDARS_PORT "$port" "$db_port" "$publish_port" "$smtp_port" "$page_port" "$bridge_port")

# outside NAME OWN: what an operator set, if it does not mean this machine's own stand-in; else OWN
outside() { local value; value=$(setting "$1"); case "$value" in '' | 127.0.0.1 | http://127.0.0.1:*) printf %s "$2" ;; *) printf %s "$value" ;; esac; }

umask 077
cat >"$var/app.env.new" <<ENV
APP_ENV=$(keep APP_ENV "${SYNDEX_ENV:-production}")
APP_KEY=$key
APP_URL=$(outside APP_URL "http://127.0.0.1:$port")
HTTP_PORT=$port
TRUSTED_PROXIES=$(setting TRUSTED_PROXIES)
DB_SOCKET=$run/db.sock
DB_PORT=$db_port
DB_DATABASE=syndex
DB_USERNAME=syndex
DB_PASSWORD=$db_password
DB_ROOT_PASSWORD=$root_password
LIVE_PUBLISH_PORT=$publish_port
LIVE_PUBLISH_URL=http://127.0.0.1:$publish_port/publish
POSTROOM_HOST=$(outside POSTROOM_HOST 127.0.0.1)
POSTROOM_SMTP_PORT=$smtp_port
POSTROOM_PAGE_PORT=$page_port
POSTROOM_PAGE=http://127.0.0.1:$page_port
BRIDGE_PORT=$bridge_port
BRIDGE_URL=$(outside BRIDGE_URL "http://127.0.0.1:$bridge_port")
BRIDGE_KEY=$bridge_key
CALENDARS_PORT=$calendars_port
CALENDARS_URL=http://127.0.0.1:$calendars_port
ARGON_MEMORY=$(keep ARGON_MEMORY "${SYNDEX_ARGON_MEMORY:-19456}")
OUTBOX_HOLD_SECONDS=$(keep OUTBOX_HOLD_SECONDS "${SYNDEX_HOLD_SECONDS:-10}")
SYNDEX_DEMO=$(keep SYNDEX_DEMO "$demo")
ENV
# Whatever else an operator has set stays.
if [ -f "$var/app.env" ]; then
  while IFS= read -r line; do
    case "$line" in [A-Z]*=*) grep -q "^${line%%=*}=" "$var/app.env.new" || printf '%s\n' "$line" >>"$var/app.env.new" ;; esac
  done <"$var/app.env"
fi
mv "$var/app.env.new" "$var/app.env"

as_root=''
[ "$(id -u)" = 0 ] && as_root="user root;"

real_ip=''
for proxy in $(setting TRUSTED_PROXIES | tr ',' ' '); do real_ip="$real_ip  set_real_ip_from $proxy;
"; done
[ -z "$real_ip" ] || real_ip="$real_ip  real_ip_header X-Forwarded-For;
  real_ip_recursive on;"

# How every request reaches the application.
cat >"$run/app.conf" <<NGINX
include /etc/nginx/fastcgi_params;
fastcgi_param SCRIPT_FILENAME $home/public/index.php;
fastcgi_param SCRIPT_NAME /index.php;
fastcgi_param HTTP_PROXY "";
fastcgi_pass unix:$run/php.sock;
fastcgi_read_timeout 60;
NGINX

# Files of a build lie compressed beside themselves (ops/compress.mjs); brotli where nginx can.
brotli_module=/usr/lib/nginx/modules/ngx_http_brotli_static_module.so
load_brotli='' brotli=''
[ ! -e $brotli_module ] || { load_brotli="load_module $brotli_module;"; brotli='brotli_static on;'; }

cat >"$run/nginx.conf" <<NGINX
load_module /usr/lib/nginx/modules/ngx_nchan_module.so;
$load_brotli
$as_root
worker_processes 1;
daemon off;
pid $run/nginx.pid;
error_log $log/nginx.log warn;
events { worker_connections 1024; }
http {
  include /etc/nginx/mime.types;
  access_log off;
  server_tokens off;
  client_body_temp_path $run/nginx/body;
  proxy_temp_path $run/nginx/proxy;
  fastcgi_temp_path $run/nginx/fastcgi;
  uwsgi_temp_path $run/nginx/uwsgi;
  scgi_temp_path $run/nginx/scgi;
  gzip on;
  gzip_vary on;
  gzip_comp_level 5;
  gzip_min_length 1000;
  gzip_types text/css application/javascript application/json image/svg+xml text/calendar;
$real_ip
  # Whoever tries to come in waits in line; a page that only asks whether it is in does not.
  map \$request_method \$who_tries { GET ""; HEAD ""; default \$binary_remote_addr; }
  limit_req_zone \$who_tries zone=coming_in:2m rate=10r/s;
  limit_req_status 429;

  server {
    listen 127.0.0.1:$port;
    root $home/public;
    # What most requests need; calendar files alone are larger.
    client_max_body_size 2m;
    error_page 413 @too_large;
    error_page 429 @too_fast;
    error_page 502 504 @away;

    location /build/ { gzip_static on; $brotli add_header Cache-Control "public, max-age=31536000, immutable"; add_header X-Content-Type-Options nosniff; try_files \$uri =404; }
    location = /icon.svg { add_header X-Content-Type-Options nosniff; }
    location ~ \.php\$ { return 404; }
    location / { include $run/app.conf; }
    location ~ ^/api/meetings/[0-9a-z]+/files\$ { client_max_body_size 51m; include $run/app.conf; }
    location ^~ /api/people-imports { client_max_body_size 16m; include $run/app.conf; }
    location ~ ^/api/people/[0-9a-z]+/calendar/file\$ { client_max_body_size 21m; include $run/app.conf; }
    location ^~ /api/guest/ { client_max_body_size 6m; limit_req zone=coming_in burst=60; include $run/app.conf; }
    location ^~ /api/calendar-files { client_max_body_size 62m; include $run/app.conf; }
    location ~ ^/api/(?:session|session/address|password|password/forgot|accounts/first|address)\$ {
      client_max_body_size 64k;
      limit_req zone=coming_in burst=60;
      include $run/app.conf;
    }
    location @too_large { internal; default_type application/json; return 413 '{"code":"too_large","message":"That is larger than can be taken here. Nothing was changed.","errors":{},"details":{}}'; }
    location @too_fast { internal; default_type application/json; add_header Retry-After 5 always; return 429 '{"code":"too_many_tries","message":"That was tried often just now. Wait 5 seconds and try again.","errors":{},"details":{}}'; }
    location @away { internal; default_type application/json; return 503 '{"code":"away","message":"Syndex does not answer at the moment. What you typed stays on this page; try again.","errors":{},"details":{}}'; }
    location ~ ^/live/(?<live_channel>[a-z0-9-]+)\$ {
      auth_request /live-check;
      nchan_subscriber eventsource;
      nchan_channel_id \$live_channel;
      nchan_subscriber_first_message newest;
      nchan_eventsource_ping_interval 25;
    }
    location = /live-check {
      internal;
      include $run/app.conf;
      fastcgi_param REQUEST_METHOD GET;
      fastcgi_param REQUEST_URI /live-allowed;
      fastcgi_param HTTP_X_LIVE_CHANNEL \$live_channel;
      fastcgi_param CONTENT_LENGTH "";
      fastcgi_pass_request_body off;
    }
  }

  server {
    listen 127.0.0.1:$publish_port;
    location ~ ^/publish/([a-z0-9-]+)\$ { nchan_publisher; nchan_channel_id \$1; nchan_message_timeout 5m; }
  }
}
NGINX

{
  cat <<FPM
[global]
error_log = $log/php-fpm.log
pid = $run/php-fpm.pid
daemonize = no
[$pool]
listen = $run/php.sock
listen.mode = 0600
pm = dynamic
pm.max_children = 8
pm.start_servers = 3
pm.min_spare_servers = 2
pm.max_spare_servers = 4
pm.max_requests = 2000
catch_workers_output = yes
env[SYNDEX_VAR] = $var
env[SYNDEX_CACHED] = 1
php_admin_value[memory_limit] = 256M
php_admin_value[post_max_size] = 62M
php_admin_flag[expose_php] = off
php_admin_flag[log_errors] = on
php_admin_value[error_log] = $log/php.log
FPM
  [ "$(id -u)" = 0 ] && printf 'user = root\ngroup = root\n'
  true
} >"$run/php-fpm.conf"

fpm_root=''
[ "$(id -u)" = 0 ] && fpm_root=' -R'

# Through here what a killed run left behind is ended first.
serve="bash $home/ops/serve.sh"

program() { # NAME COMMAND [EXTRA LINES]
  printf '[program:%s]\ncommand=%s\ndirectory=%s\nautorestart=true\nstartsecs=1\nstartretries=1000\nstopasgroup=true\nkillasgroup=true\nstopwaitsecs=15\nredirect_stderr=true\nstdout_logfile=%s/%s.log\nstdout_logfile_maxbytes=5MB\nstdout_logfile_backups=2\n%s\n\n' \
    "$1" "$2" "$home" "$log" "$1" "${3:-}"
}
{
  cat <<SUPERVISOR
[supervisord]
logfile=$log/supervisord.log
logfile_maxbytes=5MB
pidfile=$run/supervisord.pid
childlogdir=$log
environment=SYNDEX_VAR="$var"
[unix_http_server]
file=$run/supervisor.sock
chmod=0600
[rpcinterface:supervisor]
supervisor.rpcinterface_factory = supervisor.rpcinterface:make_main_rpcinterface
[supervisorctl]
serverurl=unix://$run/supervisor.sock

SUPERVISOR
  program database "$serve database /usr/sbin/mariadbd --no-defaults --user=$me --datadir=$var/db --socket=$run/db.sock --port=$db_port --bind-address=127.0.0.1 --pid-file=$run/db.pid --skip-name-resolve --innodb-buffer-pool-size=128M --innodb-flush-method=fsync --character-set-server=utf8mb4" 'priority=10'
  program php "$serve php /usr/sbin/php-fpm8.2$fpm_root -F -y $run/php-fpm.conf -d pcov.enabled=0 -d opcache.enable=1 -d opcache.max_accelerated_files=20000 -d opcache.memory_consumption=192 -d opcache.revalidate_freq=2 -d opcache.jit=tracing -d opcache.jit_buffer_size=64M -d opcache.interned_strings_buffer=16 -d realpath_cache_size=4M -d realpath_cache_ttl=60" 'priority=20
stopsignal=QUIT'
  program web "$serve web /usr/sbin/nginx -e $log/nginx.log -c $run/nginx.conf" 'priority=30
stopsignal=QUIT'
  program postroom "node $home/standins/postroom/server.mjs" "priority=20
environment=POSTROOM_SMTP_PORT=\"$smtp_port\",POSTROOM_PAGE_PORT=\"$page_port\",POSTROOM_DIR=\"$var/postroom\",POSTROOM_REFUSE=\"$refuse\",POSTROOM_DOMAIN=\"$(keep MAIL_DOMAIN syndex.example)\",POSTROOM_NAME=\"$(keep MAIL_SERVER "mail.$(keep MAIL_DOMAIN syndex.example)")\",POSTROOM_RECEIVE=\"$home/bin/syndex\",SYNDEX_VAR=\"$var\""
  program bridge "node $home/standins/bridge/server.mjs" "priority=20
environment=BRIDGE_PORT=\"$bridge_port\",BRIDGE_KEY=\"$bridge_key\",BRIDGE_DIR=\"$var/bridge\""
  program calendars "node $home/standins/calendars/server.mjs" "priority=20
environment=CALENDARS_PORT=\"$calendars_port\",CALENDARS_DIR=\"$var/calendars\""
  # These need the tables, so start sets them going once those are there.
  program outbox "php -d pcov.enabled=0 $home/artisan outbox:work" 'priority=40
autostart=false'
  program queue "php -d pcov.enabled=0 $home/artisan queue:work --sleep=1 --max-time=3600" 'priority=40
autostart=false'
  # Feeds have workers of their own: slow ones hold nothing else up.
  program feeds "php -d pcov.enabled=0 $home/artisan queue:work --queue=feeds --sleep=1 --max-time=3600 --memory=400" 'priority=40
numprocs=2
process_name=%(program_name)s_%(process_num)s
autostart=false'
  program scheduler "php -d pcov.enabled=0 $home/artisan schedule:work" 'priority=40
autostart=false'
} >"$run/supervisord.conf"
umask 022

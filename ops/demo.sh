# Makes the demo data anew, relative to this moment. Everything that was entered goes.
source "$(dirname "${BASH_SOURCE[0]}")/lib.sh"

is_running || fail 'Syndex does not run. Start it first:  bin/syndex start'
[ "$(setting SYNDEX_DEMO)" = true ] || fail 'This house is not the demo; its data is left alone.'
step 'Making the demo data'
artisan migrate:fresh --force --quiet
artisan db:seed --class='Database\Seeders\DemoSeeder' --force --quiet
rm -rf "$var/postroom"/*
ctl restart outbox queue scheduler postroom >/dev/null
step 'Ready'

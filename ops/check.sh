# Formatters, static analysis and linters: what holds for every commit.
source "$(dirname "${BASH_SOURCE[0]}")/lib.sh"
SYNDEX_QUIET=1 bash "$home/ops/setup.sh"
failed=0
run() { local what=$1; shift; step "$what"; "$@" || { failed=1; say "        $what found something."; }; }
run 'Format of PHP' vendor/bin/pint --test --quiet
run 'Types of the core' php -d memory_limit=2G vendor/bin/phpstan analyse --no-progress --configuration=phpstan.core.neon
run 'Types of the application' php -d memory_limit=2G vendor/bin/phpstan analyse --no-progress --configuration=phpstan.app.neon
run 'Types of the interface' npx --no-install tsc --noEmit
run 'Lint of the interface' npx --no-install oxlint --quiet resources/js standins
run 'Format of the interface' npx --no-install prettier --log-level warn --check resources/js standins tests/readers vite.config.ts
exit $failed

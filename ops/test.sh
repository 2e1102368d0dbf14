# Runs the tests: all suites, or those named (core, arch, interface, feature, browser, operations). Installs what they need, starts
# a house of its own on free ports and stops it again.
source "$(dirname "${BASH_SOURCE[0]}")/lib.sh"

suites=("$@")
[ ${#suites[@]} -gt 0 ] || suites=(core arch interface feature browser operations)
for suite in "${suites[@]}"; do
  case "$suite" in core | arch | interface | feature | browser | operations) ;; *) fail "There is no suite '$suite'; there are core, arch, interface, feature, browser, operations." ;; esac
done
has() { local one; for one in "${suites[@]}"; do [ "$one" = "$1" ] && return 0; done; return 1; }

SYNDEX_QUIET=1 bash "$home/ops/setup.sh" --for-tests

house=$home/var-test-$$
results=$house/results
mkdir -p "$results"
cleanup() {
  if [ -f "$house/app.env" ]; then SYNDEX_VAR=$house bash "$home/ops/stop.sh" >/dev/null 2>&1 || true; fi
  rm -rf "$house"
}
trap cleanup EXIT
trap 'exit 130' INT TERM

failed=0
pest() { # SUITE
  step "Tests: $1"
  php -d pcov.enabled=0 -d memory_limit=1G vendor/bin/pest --testsuite="$1" --colors=never --log-junit="$results/$1.xml" >"$results/$1.log" 2>&1 || failed=1
  cat "$results/$1.log"
}

if has core; then pest core; fi
if has arch; then pest arch; fi
if has interface; then
  step 'Tests: interface'
  npx --no-install vitest run --reporter=default --reporter=junit --outputFile.junit="$results/interface.xml" || failed=1
fi
if has feature || has browser; then
  step 'Starting a house for the tests'
  # Cheap hashing and no time to take back, so that the tests wait for nothing.
  SYNDEX_VAR=$house SYNDEX_FOR_TESTS=1 SYNDEX_ARGON_MEMORY=1024 SYNDEX_HOLD_SECONDS=1 bash "$home/ops/start.sh" --port "$(free_port)" >"$house/start.log" 2>&1 \
    || { cat "$house/start.log"; tail -n 40 "$house"/log/*.log || true; fail 'The house for the tests did not start.'; }
  export SYNDEX_VAR=$house
  if has feature; then pest feature; fi
  if has browser; then pest browser; fi
fi
# Makes and breaks houses of its own.
if has operations; then pest operations; fi

# A suite that left no record of itself has failed.
for suite in "${suites[@]}"; do
  [ -s "$results/$suite.xml" ] || printf '<testsuites/>' >"$results/$suite.xml"
done

# One line over all suites, from what the runners wrote down themselves.
php -r '
  $passed = $failed = $skipped = 0;
  foreach (glob($argv[1]."/*.xml") as $file) {
    $xml = @simplexml_load_file($file);
    if ($xml === false) { $failed++; continue; }
    foreach ($xml->xpath("//testcase") as $case) {
      if (isset($case->failure) || isset($case->error)) { $failed++; } elseif (isset($case->skipped)) { $skipped++; } else { $passed++; }
    }
    if ($xml->xpath("//testcase") === []) { $failed++; }
  }
  printf("\n%d passed, %d failed%s\n", $passed, $failed, $skipped > 0 ? ", $skipped skipped" : "");
  exit($failed > 0 ? 1 : 0);
' "$results" || failed=1
exit $failed

<?php

declare(strict_types=1);

// The rules of the house (docs/decisions/0001-rooms.md). What is allowed is said; naming big libraries as targets is slow.

arch('core stands alone')
    ->expect('Syndex\Core')->toOnlyUse(['Syndex\Core'])
    ->ignoring(['Syndex\Core\Joining', 'Syndex\Core\Tests', 'Collator', 'IntlDateFormatter', 'IntlTimeZone', 'Normalizer', 'idn_to_ascii']);
arch('core is strict')->expect('Syndex\Core')->toUseStrictTypes();
arch('core is final')->expect('Syndex\Core')->classes()->toBeFinal()->ignoring('Syndex\Core\Tests');
arch('app is strict')->expect('App')->toUseStrictTypes();
arch('nothing left behind')->expect(['dd', 'dump', 'ray', 'var_dump', 'env'])->not->toBeUsed();

/**
 * Who may know whom, whole: an arrow that is not here is a decision somebody has to make (docs/decisions/0001-rooms.md). Those of
 * resources/js stand in .oxlintrc.json.
 */
const ARROWS = [
    'core/src' => [
        'Time' => [],
        'Recurrence' => ['Time'],
        'Sentence' => ['Recurrence', 'Time'],
        'Shifts' => ['Recurrence', 'Time'],
        'Overlap' => ['Recurrence', 'Time'],
        'Offers' => ['Overlap', 'Time'],
        'Joining' => [],
        'ICalendar' => ['Recurrence', 'Time'],
        'Invitations' => ['ICalendar', 'Recurrence', 'Time'],
        'Answers' => ['ICalendar', 'Invitations', 'Time'],
        'Planning' => ['ICalendar', 'Recurrence', 'Time'],
        'Calendars' => ['ICalendar', 'Recurrence', 'Time'],
        'VCard' => ['ICalendar'],
        'Headless' => ['Invitations', 'ICalendar', 'Joining', 'Overlap', 'Recurrence', 'Sentence', 'Shifts', 'Time'],
    ],
    'app' => [
        'Failure' => [],
        'Access' => [],
        'Live' => [],
        'HouseRules' => [],
        'Joining' => ['Failure'],
        'People' => ['Access', 'Failure', 'HouseRules', 'Live'],
        'Planning' => ['Access', 'Failure', 'HouseRules', 'Joining', 'Live', 'People'],
        'Overlap' => ['Access', 'HouseRules', 'People', 'Planning'],
        'Guests' => ['Failure', 'People'],
        'Invitations' => ['Failure', 'Guests', 'HouseRules', 'Joining', 'Live', 'Overlap', 'People', 'Planning'],
        'Import' => ['Access', 'Failure', 'Live', 'People', 'Planning'],
        'Offers' => ['Access', 'Failure', 'Guests', 'HouseRules', 'Invitations', 'Live', 'Overlap', 'People', 'Planning'],
        'Answers' => ['Access', 'Failure', 'Guests', 'Invitations', 'Live', 'Overlap', 'People', 'Planning'],
        'Day' => ['Answers', 'Invitations', 'Live', 'Offers', 'People', 'Planning'],
        'Operations' => ['Invitations', 'People', 'Planning'],
    ],
];

it('lets no room know another that is not its business', function (string $root, string $namespace): void {
    $base = dirname(__DIR__, 2) . "/$root/";
    $found = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($base, FilesystemIterator::SKIP_DOTS)) as $file) {
        $path = explode('/', substr((string) $file, strlen($base)));
        // What stands above the rooms ties them together.
        if (count($path) > 1) {
            preg_match_all('/\b' . preg_quote($namespace, '/') . '\\\\(\w+)\\\\/', (string) file_get_contents((string) $file), $m);
            foreach (array_unique($m[1]) as $room) {
                if ($room !== $path[0] && !in_array($room, ARROWS[$root][$path[0]] ?? [], true)) {
                    $found[] = "$path[0] knows $room: " . implode('/', $path);
                }
            }
        }
    }

    expect($found)->toBe([]);
})->with([['core/src', 'Syndex\Core'], ['app', 'App']]);

it('draws arrows without a ring', function (array $arrows): void {
    $known = [];
    while ($arrows !== []) {
        $free = array_keys(array_filter($arrows, static fn(array $to): bool => array_diff($to, $known) === []));
        expect($free)->not->toBe([]);
        $known = [...$known, ...$free];
        $arrows = array_diff_key($arrows, array_flip($free));
    }
})->with(['core' => [ARROWS['core/src']], 'app' => [ARROWS['app']], 'interface' => [(static function (): array {
    $arrows = [];
    foreach (json_decode((string) file_get_contents(dirname(__DIR__, 2) . '/.oxlintrc.json'), true)['overrides'] as $room) {
        $known = array_filter($room['rules']['no-restricted-imports'][1]['patterns'][0]['group'], static fn(string $pattern): bool => $pattern[0] === '!');
        $arrows[basename(dirname($room['files'][0]))] = array_values(array_map(static fn(string $pattern): string => explode('/', $pattern)[1], $known));
    }

    return $arrows;
})()]]);

it('passes the linter, which knows the rooms of the interface', function (): void {
    exec('cd ' . escapeshellarg(dirname(__DIR__, 2)) . ' && npx --no-install oxlint resources/js standins 2>&1', $said, $status);
    expect($status)->toBe(0, implode("\n", $said));
    $rooms = array_map(basename(...), glob(dirname(__DIR__, 2) . '/resources/js/*', GLOB_ONLYDIR) ?: []);
    $told = array_map(static fn(array $room): string => basename(dirname($room['files'][0])), json_decode((string) file_get_contents(dirname(__DIR__, 2) . '/.oxlintrc.json'), true)['overrides']);
    expect(array_diff($rooms, $told))->toBe([]);
});

it('reads no clock, no file and no chance in the core', function (): void {
    $forbidden = '/\b(time|microtime|hrtime|date|gmdate_now|mktime|file_get_contents|fopen|random_int|random_bytes|mt_rand|rand|getenv|now)\s*\(/';
    $found = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2) . '/core/src', FilesystemIterator::SKIP_DOTS)) as $file) {
        $code = implode('', array_map(static fn($t) => is_array($t) ? (in_array($t[0], [T_COMMENT, T_DOC_COMMENT], true) ? '' : $t[1]) : $t, token_get_all((string) file_get_contents((string) $file))));
        if (preg_match($forbidden, (string) preg_replace('/(->|::|function )\w+\s*\(/', '.(', $code), $m) === 1) {
            $found[] = $file->getFilename() . ': ' . $m[1];
        }
    }

    expect($found)->toBe([]);
});

it('knows the telephone library and the file format in one room each', function (string $library, string $room): void {
    // Read as text: to name a big library as a target would load it whole.
    $found = [];
    foreach (['core/src', 'app'] as $folder) {
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2) . "/$folder", FilesystemIterator::SKIP_DOTS)) as $file) {
            if (str_contains((string) file_get_contents((string) $file), $library) && !str_contains((string) $file, "/$room/")) {
                $found[] = (string) $file;
            }
        }
    }

    expect($found)->toBe([]);
})->with([['use libphonenumber', 'core/src/Joining'], ['Sabre\\', 'core/src/ICalendar'], ["'BEGIN', 'V", 'core/src/ICalendar']]);

it('lets rooms of app meet through actions, not through models of each other\'s insides', function (): void {
    $inner = ['App\Planning\AgendaItem' => ['Planning', 'Invitations'], 'App\People\AccountToken' => ['People'], 'App\Invitations\Dispatch' => ['Answers', 'Invitations', 'Day', 'Operations']];
    $found = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2) . '/app', FilesystemIterator::SKIP_DOTS)) as $file) {
        $room = explode('/', substr((string) $file, strlen(dirname(__DIR__, 2) . '/app/')))[0];
        foreach ($inner as $class => $rooms) {
            if (!in_array($room, $rooms, true) && str_contains((string) file_get_contents((string) $file), "use $class;")) {
                $found[] = "$room uses $class";
            }
        }
    }

    expect($found)->toBe([]);
});

it('holds no rule of the job in the browser', function (): void {
    $found = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2) . '/resources/js', FilesystemIterator::SKIP_DOTS)) as $file) {
        $code = (string) file_get_contents((string) $file);
        if (preg_match('/\b(rrule|ical\.js|luxon|date-fns|FREQ=)/', $code, $m) === 1) {
            $found[] = $file->getFilename() . ': ' . $m[1];
        }
    }

    expect($found)->toBe([]);
});

it('has words for whatever the core refuses or finds odd', function (): void {
    $root = dirname(__DIR__, 2);
    [$core, $sentence, $import] = array_map(static fn(string $file): array => require "$root/lang/en/$file.php", ['core', 'sentence', 'import']);
    $missing = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator("$root/core/src", FilesystemIterator::SKIP_DOTS)) as $file) {
        $code = (string) file_get_contents((string) $file);
        if (preg_match('/class (\w+) .*implements .*CoreException/', $code, $m) === 1 && !isset($core[$m[1]])) {
            $missing[] = "core.$m[1]";
        }
        preg_match_all("/(?:NotUnderstood::of\\((?:[^,()]|\\([^()]*\\))+, |refused\\()(?:[^'()]*\\? '([a-z_]+)' : )?'([a-z_]+)'/", $code, $m);
        foreach (array_filter([...$m[1], ...$m[2]]) as $reason) {
            $missing = isset($sentence[$reason]) ? $missing : [...$missing, "sentence.$reason"];
        }
        preg_match_all("/(?:[wW]arnings\\??->add\\([^,]+, |->tell\\([^,]+, )'([a-z_]+)'/", $code, $m);
        foreach ($m[1] as $oddity) {
            $missing = isset($import['warning'][$oddity]) ? $missing : [...$missing, "import.warning.$oddity"];
        }
    }

    expect($missing)->toBe([]);
});

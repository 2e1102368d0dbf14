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
    $inner = ['App\Planning\AgendaItem' => ['Planning', 'Invitations'], 'App\People\AccountToken' => ['People'], 'App\Invitations\Dispatch' => ['Invitations', 'Day', 'Operations']];
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

<?php

declare(strict_types=1);
gc_disable();

/*
 * bin/syndex core VERB: the headless core. No framework, and no Composer autoloader either, so that it starts at once.
 */

spl_autoload_register(static function (string $class): void {
    if (str_starts_with($class, 'Syndex\\Core\\')) {
        require __DIR__ . '/../core/src/' . strtr(substr($class, 12), '\\', '/') . '.php';
    }
});

$fail = static function (string $message): never {
    fwrite(STDERR, $message . PHP_EOL);
    exit(2);
};

$zoneInfo = @fopen('/usr/share/zoneinfo/tzdata.zi', 'r');
$version = $zoneInfo !== false && preg_match('/^# version (\S+)/', (string) fgets($zoneInfo), $m) === 1 ? $m[1] : timezone_version_get();

$protocol = Syndex\Core\Headless\Protocol::forVerb($argv[1] ?? '', new Syndex\Core\Time\SystemZoneData($version))
    ?? $fail('expected a verb of about, expand, vtimezone, shifts, sentence, read, write, itip, overlap, rota, entry, got "' . mb_strimwidth($argv[1] ?? '', 0, 40, '…') . '"');

$most = $protocol->mostOctets;
while (($line = fgets(STDIN, $most)) !== false) {
    if (strlen($line) >= $most - 1 && !str_ends_with($line, "\n")) {
        while (($rest = fgets(STDIN, 65536)) !== false && !str_ends_with($rest, "\n"));
        $answer = $protocol->tooLong();
    } else {
        $answer = $protocol->answer($line);
    }
    if ($answer !== null) {
        fwrite(STDOUT, $answer . "\n");
        fflush(STDOUT);
    }
}

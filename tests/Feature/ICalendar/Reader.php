<?php

declare(strict_types=1);

namespace Tests\Feature\ICalendar;

/** Independent readers of iCalendar, asked a line at a time. */
final class Reader
{
    /** @var array<string, string> */
    private static array $made = [];

    /** Compiles a small program beside libical; it is made anew for each run. */
    public static function compiled(string $name): string
    {
        if (!isset(self::$made[$name])) {
            $program = sys_get_temp_dir() . "/syndex-$name-" . getmypid();
            exec('cc -O1 -o ' . escapeshellarg($program) . ' ' . escapeshellarg(base_path("tests/readers/$name.c")) . ' -lical 2>&1', $said, $failed);
            $failed === 0 || throw new \RuntimeException(implode("\n", $said));
            register_shutdown_function(static fn() => @unlink($program));
            self::$made[$name] = $program;
        }

        return self::$made[$name];
    }

    /** @return list<string> a line for each line */
    public static function answers(string $command, string $lines): array
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'reader');
        file_put_contents($file, $lines);
        $said = (string) shell_exec('cd ' . escapeshellarg(base_path()) . " && timeout 120 $command < " . escapeshellarg($file));
        unlink($file);

        return explode("\n", rtrim($said, "\n"));
    }
}

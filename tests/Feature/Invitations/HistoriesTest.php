<?php

declare(strict_types=1);

/*
 * Random histories of meetings, told by the core and applied by little calendars that share nothing with it (RFC 5546 2.1.5).
 * The same seed makes the same histories: `node tests/histories/run.mjs SEED HISTORIES STEPS`.
 */

/** @return array{seed: int, lines: int, messages: int, codes: array<string, int>, pairs: array<string, int>, fault: ?array<string, mixed>} */
function histories(int $seed, int $histories): array
{
    $said = (string) shell_exec('cd ' . escapeshellarg(base_path()) . " && node tests/histories/run.mjs $seed $histories 8");

    return json_decode($said, true, flags: JSON_THROW_ON_ERROR);
}

it('leaves in everybody’s calendar exactly what is planned for them', function (): void {
    $found = histories(5546, 900);
    expect($found['fault'])->toBeNull('seed 5546: ' . json_encode($found['fault'], JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE));

    // Every code often, and every two that can stand in one message: new and called_off stand alone.
    $codes = ['time', 'length', 'repeats', 'date_moved', 'date_dropped', 'date_added', 'place', 'join', 'title', 'text', 'people', 'role', 'organizer'];
    foreach ([...$codes, 'new', 'called_off'] as $at => $code) {
        expect($found['codes'][$code] ?? 0)->toBeGreaterThanOrEqual(100, $code);
        foreach (array_slice($codes, $at + 1) as $other) {
            expect($found['pairs']["$code+$other"] ?? 0)->toBeGreaterThanOrEqual(10, "$code and $other");
        }
    }
});

it('does so for histories that nobody has seen before', function (): void {
    $seed = random_int(1, 2 ** 31);
    $found = histories($seed, 100);
    expect($found['fault'])->toBeNull("seed $seed: " . json_encode($found['fault'], JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE));
});

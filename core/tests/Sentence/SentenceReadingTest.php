<?php

declare(strict_types=1);

use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Sentence\English\English;
use Syndex\Core\Sentence\NotUnderstood;
use Syndex\Core\Tests;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

/** @return array<string, array{string, string}> sentence and meaning, by sentence */
function writtenSentences(): array
{
    $cases = [];
    foreach (file(__DIR__ . '/sentences/english.txt', FILE_IGNORE_NEW_LINES) ?: [] as $line) {
        if ($line !== '' && $line[0] !== '#') {
            [$sentence, $meaning] = explode(' => ', $line);
            $cases[$sentence] = [$sentence, $meaning];
        }
    }

    return $cases;
}

/** The first hundred dates of a series, its zone, its length and whether it ends: what a sentence means. */
function meaningOf(Series $series, int $minutes): string
{
    $dates = $series->expand(Work::atMost(1_000_000), limit: 100);

    return implode(' ', [$series->allDay ? '-' : ($series->zone->id ?? 'floating'), $minutes, $series->rule?->isOpen() === true ? 'open' : 'ends', ...array_map(static fn(int $wall): string => WallTime::ofSeconds($wall)->format(), $dates->walls)]);
}

it('reads what coordinators type', function (string $sentence, string $meaning): void {
    $read = fn() => (new English(Tests\zones()))->read($sentence, WallTime::parseDate('2026-11-25'), 'Africa/Nairobi');
    if ($meaning === '?') {
        expect($read)->toThrow(NotUnderstood::class);

        return;
    }
    [$start, $zone, $minutes] = explode(' ', $meaning);
    preg_match('/ ((?:RSCALE|FREQ)=\S+)/', $meaning, $rule);
    preg_match_all('/ ([+-])(\d{4}-\S+)/', $meaning, $single, PREG_SET_ORDER);
    $rule = isset($rule[1]) ? RuleParser::parse($rule[1]) : null;
    $walls = ['+' => [], '-' => []];
    foreach ($single as [, $sign, $wall]) {
        $walls[$sign][] = WallTime::parse("$wall:00");
    }
    $expected = $zone === '-' ? Series::allDay(WallTime::parseDate($start), $rule) : Series::timed(WallTime::parse("$start:00"), Tests\zone($zone), $rule, $walls['+'], $walls['-']);

    $heard = $read();
    expect(meaningOf($heard->series, $heard->durationMinutes))->toBe(meaningOf($expected, (int) $minutes));
})->with(writtenSentences());

it('tells users of every sentence it refuses, and why', function (): void {
    $told = (string) file_get_contents(dirname(__DIR__, 3) . '/docs/sentences.md');
    foreach (writtenSentences() as [$sentence, $meaning]) {
        if ($meaning !== '?') {
            continue;
        }
        try {
            (new English(Tests\zones()))->read($sentence, WallTime::parseDate('2026-11-25'), 'Africa/Nairobi');
        } catch (NotUnderstood $not) {
            expect($told)->toContain("| $sentence | “{$not->quote}”: {$not->reason} |");
        }
    }
});

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

it('says in every refusal which piece stands in the way, and nothing of a language', function (): void {
    foreach (writtenSentences() as [$sentence, $meaning]) {
        if ($meaning === '?') {
            try {
                (new English(Tests\zones()))->read($sentence, WallTime::parseDate('2026-11-25'), 'Africa/Nairobi');
                $this->fail($sentence);
            } catch (NotUnderstood $not) {
                foreach (explode(' … ', rtrim($not->quote, '…')) as $piece) {
                    expect(str_contains($sentence, $piece))->toBeTrue("$piece is not in $sentence");
                }
                expect($not->reason)->toMatch('/\A[a-z_]+\z/');
            }
        }
    }
});

it('offers what was probably meant', function (string $typed, string $meant, string $corrected): void {
    try {
        (new English(Tests\zones()))->read($typed, WallTime::parseDate('2026-11-25'), 'Africa/Nairobi');
        $this->fail($typed);
    } catch (NotUnderstood $not) {
        expect($not->with)->toBe(['meant' => $meant])->and($not->corrected)->toBe($corrected);
    }
})->with([
    ['every tusday at 15:30', 'Tuesday', 'every Tuesday at 15:30'],
    ['every tusday at 15:30 lisbonn', 'Tuesday, Lisbon', 'every Tuesday at 15:30 Lisbon'],
    ['evry Tuesday at 15:30', 'every', 'every Tuesday at 15:30'],
    ['every Tuesday at 15:30, untill 24 December', 'until', 'every Tuesday at 15:30, until 24 December'],
    ['every Tuesday at 15:30 Mumbay time', 'Mumbai', 'every Tuesday at 15:30 Mumbai time'],
    ['weekly on wendesday 9:00', 'Wednesday', 'weekly on Wednesday 9:00'],
]);

it('takes the usual time where none is said, and says so', function (): void {
    $read = (new English(Tests\zones()))->read('every Tuesday', WallTime::parseDate('2026-11-25'), 'Africa/Nairobi', 55800);
    expect($read->isUsualTime)->toBeTrue()->and($read->series->start->format())->toBe('2026-12-01T15:30:00')
        ->and((new English(Tests\zones()))->read('every Tuesday at 9:00', WallTime::parseDate('2026-11-25'), 'Africa/Nairobi', 55800)->isUsualTime)->toBeFalse();
});

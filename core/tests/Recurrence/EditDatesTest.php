<?php

declare(strict_types=1);

use Syndex\Core\Recurrence\CannotEditDate;
use Syndex\Core\Recurrence\EditDates;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Tests;
use Syndex\Core\Time\WallTime;

/** Three Tuesdays in Lisbon, and two single dates. */
$tuesdays = static fn(): Series => Tests\series('2026-12-01T09:00:00', 'Europe/Lisbon', 'FREQ=WEEKLY;COUNT=3');
$singles = static fn(): Series => Series::timed(WallTime::parse('2026-12-01T09:00:00'), Tests\zone('Europe/Lisbon'), null, [WallTime::parse('2026-12-03T10:00:00')]);
$days = static fn(): Series => Series::allDay(WallTime::parseDate('2026-12-01'), RuleParser::parse('FREQ=DAILY;COUNT=3'));
$at = WallTime::parse(...);

describe('EditDates', function () use ($tuesdays, $singles, $days, $at): void {
    it('changes one date and leaves the others', function (Series $series, string $do, array $given, array $dates): void {
        $edited = EditDates::$do($series, ...$given);

        expect(Tests\dates($edited))->toBe($dates)->and([$edited->allDay, $edited->zone?->id])->toBe([$series->allDay, $series->zone?->id]);
    })->with([
        'a date of the rule taken away' => fn() => [$tuesdays(), 'drop', [$at('2026-12-08T09:00:00')], ['2026-12-01T09:00:00', '2026-12-15T09:00:00']],
        'the first taken away' => fn() => [$tuesdays(), 'drop', [$at('2026-12-01T09:00:00')], ['2026-12-08T09:00:00', '2026-12-15T09:00:00']],
        'a single date taken away' => fn() => [$singles(), 'drop', [$at('2026-12-03T10:00:00')], ['2026-12-01T09:00:00']],
        'the start, where there is no rule' => fn() => [$singles(), 'drop', [$at('2026-12-01T09:00:00')], ['2026-12-03T10:00:00']],
        'a date added' => fn() => [$tuesdays(), 'add', [$at('2026-12-10T14:00:00')], ['2026-12-01T09:00:00', '2026-12-08T09:00:00', '2026-12-10T14:00:00', '2026-12-15T09:00:00']],
        'a date added before the start' => fn() => [$tuesdays(), 'add', [$at('2026-11-30T14:00:00')], ['2026-11-30T14:00:00', '2026-12-01T09:00:00', '2026-12-08T09:00:00', '2026-12-15T09:00:00']],
        'a date added before the start, without a rule' => fn() => [$singles(), 'add', [$at('2026-11-30T14:00:00')], ['2026-11-30T14:00:00', '2026-12-01T09:00:00', '2026-12-03T10:00:00']],
        'a date moved' => fn() => [$tuesdays(), 'move', [$at('2026-12-08T09:00:00'), $at('2026-12-09T11:30:00')], ['2026-12-01T09:00:00', '2026-12-09T11:30:00', '2026-12-15T09:00:00']],
        'a date moved to where it is' => fn() => [$tuesdays(), 'move', [$at('2026-12-08T09:00:00'), $at('2026-12-08T09:00:00')], ['2026-12-01T09:00:00', '2026-12-08T09:00:00', '2026-12-15T09:00:00']],
        'the only date moved' => fn() => [Tests\series('2026-12-01T09:00:00', 'UTC'), 'move', [$at('2026-12-01T09:00:00'), $at('2026-12-02T09:00:00')], ['2026-12-02T09:00:00']],
        'a day moved' => fn() => [$days(), 'move', [WallTime::parseDate('2026-12-02'), WallTime::parseDate('2026-12-09')], ['2026-12-01T00:00:00', '2026-12-03T00:00:00', '2026-12-09T00:00:00']],
    ]);

    it('takes a moved date back to where its rule had it', function () use ($tuesdays, $at): void {
        $moved = EditDates::move($tuesdays(), $at('2026-12-08T09:00:00'), $at('2026-12-09T11:30:00'));
        $back = EditDates::move($moved, $at('2026-12-09T11:30:00'), $at('2026-12-08T09:00:00'));

        expect([$back->extra, $back->dropped])->toBe([[], []]);
    });

    it('refuses what cannot be', function (Series $series, string $do, array $given, string $why): void {
        $refused = null;
        try {
            EditDates::$do($series, ...$given);
        } catch (CannotEditDate $cannot) {
            $refused = $cannot->why;
        }

        expect($refused)->toBe($why);
    })->with([
        'a date that is none' => fn() => [$tuesdays(), 'drop', [$at('2026-12-09T09:00:00')], 'no_such_date'],
        'another time of that day' => fn() => [$tuesdays(), 'move', [$at('2026-12-08T10:00:00'), $at('2026-12-09T10:00:00')], 'no_such_date'],
        'the last one' => fn() => [Tests\series('2026-12-01T09:00:00', 'UTC'), 'drop', [$at('2026-12-01T09:00:00')], 'last_date'],
        'the last one of a rule' => fn() => [Tests\series('2026-12-01T09:00:00', 'UTC', 'FREQ=DAILY;COUNT=1'), 'drop', [$at('2026-12-01T09:00:00')], 'last_date'],
        'a date that is there' => fn() => [$tuesdays(), 'add', [$at('2026-12-15T09:00:00')], 'there_already'],
        'onto another' => fn() => [$tuesdays(), 'move', [$at('2026-12-08T09:00:00'), $at('2026-12-15T09:00:00')], 'there_already'],
    ]);
});

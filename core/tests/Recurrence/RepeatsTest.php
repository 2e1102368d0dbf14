<?php

declare(strict_types=1);

use Syndex\Core\Recurrence\InvalidRepeats;
use Syndex\Core\Recurrence\Repeats;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Time\WallTime;

describe('Repeats', function (): void {
    it('makes rules of the sheet, and the sheet of rules', function (string $rule): void {
        $form = Repeats::fromRule(RuleParser::parse($rule), WallTime::parse('2026-12-08T15:30:00'));

        expect($form)->not->toBeNull()->and(Repeats::toRule($form)->toText())->toBe($rule);
    })->with([
        'FREQ=DAILY;COUNT=10', 'FREQ=DAILY;INTERVAL=3', 'FREQ=WEEKLY;COUNT=5;INTERVAL=2;BYDAY=MO,TH', 'FREQ=WEEKLY;UNTIL=20270301;BYDAY=TU',
        'FREQ=MONTHLY;COUNT=6;BYMONTHDAY=8', 'FREQ=MONTHLY;BYMONTHDAY=-1', 'FREQ=MONTHLY;COUNT=6;BYDAY=2TU', 'FREQ=MONTHLY;BYDAY=-1FR', 'FREQ=YEARLY;COUNT=3',
        'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1', 'FREQ=MONTHLY;COUNT=4;INTERVAL=3;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1',
    ]);

    it('has no form for a rule that the sheet cannot say', function (string $rule): void {
        expect(Repeats::fromRule(RuleParser::parse($rule), WallTime::parse('2026-12-08T15:30:00')))->toBeNull();
    })->with(['FREQ=YEARLY;BYWEEKNO=20', 'FREQ=MONTHLY;BYDAY=MO,TU;BYSETPOS=-1', 'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=1', 'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR', 'FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1', 'FREQ=HOURLY', 'FREQ=DAILY;BYHOUR=9,10', 'FREQ=MONTHLY;BYMONTHDAY=1,15']);

    it('takes the same weekday each week where nothing else is said', function (): void {
        expect(Repeats::usual(WallTime::parse('2026-12-08T15:30:00'))->toText())->toBe('FREQ=WEEKLY;COUNT=10;BYDAY=TU');
    });

    it('names the field that cannot be', function (array $changes, ?string $field): void {
        $form = Repeats::fromRule(RuleParser::parse('FREQ=MONTHLY;COUNT=3;BYMONTHDAY=8'), WallTime::parse('2026-12-08T15:30:00')) ?? [];
        $refused = null;
        try {
            Repeats::toRule([...$form, ...$changes]);
        } catch (InvalidRepeats $bad) {
            $refused = $bad->field;
        }

        expect($refused)->toBe($field);
    })->with([
        [['interval' => 0], 'interval'], [['interval' => 1], null], [['interval' => 99], null], [['interval' => 100], 'interval'], [['count' => 0], 'count'], [['count' => 1], null], [['count' => 1000], null], [['count' => 1001], 'count'],
        [['monthDay' => 0], 'monthDay'], [['monthDay' => 1], null], [['monthDay' => 31], null], [['monthDay' => 32], 'monthDay'], [['monthDay' => -1], null], [['monthDay' => -2], 'monthDay'], [['monthBy' => 'weekday', 'nth' => 6], 'nth'],
        [['monthBy' => 'weekday', 'nth' => 5], null], [['monthBy' => 'weekday', 'nth' => 1, 'weekday' => 'xyz'], 'days'], [['every' => 'week', 'days' => []], 'days'], [['end' => 'until', 'untilOn' => null], 'untilOn'], [['end' => 'until', 'untilOn' => '2027-02-29'], 'untilOn'],
    ]);
});

<?php

declare(strict_types=1);

use Syndex\Core\Recurrence\InvalidRule;
use Syndex\Core\Recurrence\PlainDates;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\RuleParts;
use Syndex\Core\Tests;

describe('RuleParts', function (): void {
    it('takes a rule apart and puts it together again', function (string $text): void {
        $rule = RuleParser::parse($text);

        expect(RuleParts::toRule(RuleParts::fromRule($rule))->toText())->toBe($rule->toText());
    })->with([
        'FREQ=DAILY', 'FREQ=DAILY;INTERVAL=3;BYHOUR=9,14;BYMINUTE=0,30;COUNT=12', 'FREQ=WEEKLY;INTERVAL=2;BYDAY=MO,WE,SU;WKST=SU;UNTIL=20270131', 'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1',
        'FREQ=MONTHLY;BYDAY=2TU,-1FR;BYMONTH=1,6', 'FREQ=YEARLY;BYWEEKNO=20,-1;BYDAY=MO', 'FREQ=YEARLY;BYYEARDAY=1,-1', 'RSCALE=GREGORIAN;FREQ=MONTHLY;BYMONTHDAY=31;SKIP=BACKWARD;COUNT=12', 'FREQ=HOURLY;BYSECOND=30',
    ]);

    it('names the part that cannot be', function (array $changes, string $field): void {
        $refused = null;
        try {
            RuleParts::toRule([...RuleParts::fromRule(RuleParser::parse('FREQ=MONTHLY;COUNT=3')), ...$changes]);
        } catch (InvalidRule $bad) {
            $refused = RuleParts::field($bad);
        }

        expect($refused)->toBe($field);
    })->with([
        'no interval' => [['interval' => 0], 'interval'], 'day 32' => [['monthDays' => [32]], 'monthDays'], 'hour 24' => [['hours' => [24]], 'hours'], 'weeks of months' => [['weeks' => [20]], 'weeks'],
        'month days of weeks' => [['frequency' => 'weekly', 'monthDays' => [3]], 'monthDays'], 'numbered days of weeks' => [['frequency' => 'weekly', 'days' => [['nth' => 2, 'day' => 'tue']]], 'days'],
        'a day that is none' => [['days' => [['nth' => 0, 'day' => 'xyz']]], 'days'], 'positions alone' => [['positions' => [1]], 'positions'], 'until never' => [['end' => 'until', 'untilOn' => '2027-02-30'], 'untilOn'],
        'until nothing' => [['end' => 'until', 'untilOn' => null], 'untilOn'], 'no count' => [['end' => 'count', 'count' => 0], 'count'], 'weeks beginning never' => [['weekStart' => ''], 'weekStart'], 'a frequency of none' => [['frequency' => 'hardly'], 'frequency'],
    ]);
});

describe('PlainDates', function (): void {
    it('lists the dates of a rule that few readers know', function (): void {
        $series = Tests\series('2027-01-31T09:00:00', 'Europe/Lisbon', 'RSCALE=GREGORIAN;FREQ=MONTHLY;BYMONTHDAY=31;SKIP=BACKWARD;COUNT=4');
        $plain = PlainDates::of($series);

        expect(PlainDates::needed($series))->toBeTrue()->and(PlainDates::needed($plain))->toBeFalse()->and($plain->rule)->toBeNull()
            ->and(Tests\dates($plain))->toBe(['2027-01-31T09:00:00', '2027-02-28T09:00:00', '2027-03-31T09:00:00', '2027-04-30T09:00:00'])->toBe(Tests\dates($series));
    });

    it('knows when they are too many', function (string $rule, bool $all): void {
        expect(PlainDates::canListAll(Tests\series('2027-01-31T09:00:00', 'Europe/Lisbon', $rule)))->toBe($all);
    })->with(['no end' => ['FREQ=MONTHLY', false], 'as many as may be' => ['FREQ=DAILY;COUNT=1000', true], 'one more' => ['FREQ=DAILY;COUNT=1001', false]]);
});

<?php

declare(strict_types=1);

use Syndex\Core\Recurrence\EnglishSentence;
use Syndex\Core\Recurrence\Repeats;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Tests;
use Syndex\Core\Time\WallTime;

describe('EnglishSentence::pieces', function (): void {
    it('says when and how often', function (?string $rule, int $minutes, string $sentence): void {
        $series = Tests\series('2026-12-08T15:30:00', 'Africa/Nairobi', $rule);

        expect(EnglishSentence::join(EnglishSentence::pieces($series, $minutes, 'Africa/Nairobi')))->toBe($sentence);
    })->with([
        'once' => [null, 45, 'on Tuesday 8 December 2026 at 15:30 Nairobi time for 45 minutes'],
        'every second week' => ['FREQ=WEEKLY;INTERVAL=2;COUNT=12', 45, 'every second Tuesday at 15:30 Nairobi time for 45 minutes, 12 times from 8 December 2026'],
        'on two days' => ['FREQ=WEEKLY;BYDAY=TU,TH', 60, 'every Tuesday and Thursday at 15:30 Nairobi time for 1 hour, with no end from 8 December 2026'],
        'two days every third week' => ['FREQ=WEEKLY;INTERVAL=3;BYDAY=TU,TH;COUNT=4', 30, 'every third week on Tuesday and Thursday at 15:30 Nairobi time for 30 minutes, 4 times from 8 December 2026'],
        'on weekdays' => ['FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR;COUNT=20', 15, 'every weekday at 15:30 Nairobi time for 15 minutes, 20 times from 8 December 2026'],
        'daily until' => ['FREQ=DAILY;UNTIL=20261224', 90, 'every day at 15:30 Nairobi time for 90 minutes, until 24 December 2026 from 8 December 2026'],
        'a date of the month' => ['FREQ=MONTHLY;BYMONTHDAY=8;COUNT=3', 150, 'on the 8th of every month at 15:30 Nairobi time for 2 hours and 30 minutes, 3 times from 8 December 2026'],
        'the last day' => ['FREQ=MONTHLY;BYMONTHDAY=-1;COUNT=3', 30, 'on the last day of every month at 15:30 Nairobi time for 30 minutes, 3 times from 8 December 2026'],
        'the second Tuesday' => ['FREQ=MONTHLY;BYDAY=2TU;COUNT=3', 30, 'on the second Tuesday of every month at 15:30 Nairobi time for 30 minutes, 3 times from 8 December 2026'],
        'the last Friday' => ['FREQ=MONTHLY;INTERVAL=2;BYDAY=-1FR;COUNT=3', 30, 'on the last Friday of every second month at 15:30 Nairobi time for 30 minutes, 3 times from 8 December 2026'],
        'yearly' => ['FREQ=YEARLY;COUNT=3', 30, 'every year on 8 December at 15:30 Nairobi time for 30 minutes, 3 times from 8 December 2026'],
        'a rule without words' => ['FREQ=YEARLY;BYWEEKNO=20;COUNT=3', 30, 'by a rule of its own at 15:30 Nairobi time for 30 minutes, 3 times from 8 December 2026'],
    ]);

    it('leaves the clock out of an all-day series', function (): void {
        $series = Series::allDay(WallTime::parseDate('2026-12-08'), RuleParser::parse('FREQ=YEARLY;COUNT=2'));

        expect(EnglishSentence::join(EnglishSentence::pieces($series, 1440, 'Europe/Lisbon')))->toBe('every year on 8 December, all day, 2 times from 8 December 2026');
    });
});

describe('Repeats', function (): void {
    it('makes rules of the sheet, and the sheet of rules', function (string $rule): void {
        $form = Repeats::fromRule(RuleParser::parse($rule), WallTime::parse('2026-12-08T15:30:00'));

        expect($form)->not->toBeNull()->and(Repeats::toRule($form)->toText())->toBe($rule);
    })->with([
        'FREQ=DAILY;COUNT=10', 'FREQ=DAILY;INTERVAL=3', 'FREQ=WEEKLY;COUNT=5;INTERVAL=2;BYDAY=MO,TH', 'FREQ=WEEKLY;UNTIL=20270301;BYDAY=TU',
        'FREQ=MONTHLY;COUNT=6;BYMONTHDAY=8', 'FREQ=MONTHLY;BYMONTHDAY=-1', 'FREQ=MONTHLY;COUNT=6;BYDAY=2TU', 'FREQ=MONTHLY;BYDAY=-1FR', 'FREQ=YEARLY;COUNT=3',
    ]);

    it('has no form for a rule that the sheet cannot say', function (string $rule): void {
        expect(Repeats::fromRule(RuleParser::parse($rule), WallTime::parse('2026-12-08T15:30:00')))->toBeNull();
    })->with(['FREQ=YEARLY;BYWEEKNO=20', 'FREQ=MONTHLY;BYDAY=MO,TU;BYSETPOS=-1', 'FREQ=HOURLY', 'FREQ=DAILY;BYHOUR=9,10', 'FREQ=MONTHLY;BYMONTHDAY=1,15']);
});

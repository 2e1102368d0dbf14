<?php

declare(strict_types=1);

use Syndex\Core\Recurrence\InvalidRule;
use Syndex\Core\Recurrence\RuleParser;

describe('RuleParser::parse', function (): void {
    it('reads what it has written', function (string $text): void {
        expect(RuleParser::parse($text)->toText())->toBe($text);
    })->with([
        'FREQ=DAILY', 'FREQ=WEEKLY;UNTIL=20261208T123000Z;INTERVAL=2;BYDAY=MO,WE;WKST=SU', 'FREQ=MONTHLY;COUNT=10;BYDAY=-1FR',
        'FREQ=YEARLY;BYDAY=MO;BYWEEKNO=20', 'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1', 'FREQ=YEARLY;UNTIL=20301231;BYMONTHDAY=29;BYMONTH=2',
        'RSCALE=GREGORIAN;FREQ=MONTHLY;BYMONTHDAY=31;SKIP=BACKWARD', 'FREQ=MINUTELY;INTERVAL=20;BYHOUR=9,10', 'FREQ=YEARLY;BYYEARDAY=-1,1,100',
    ]);

    it('takes names and values in any letter case', function (): void {
        expect(RuleParser::parse('freq=weekly;byday=tu,Th;wkst=su')->toText())->toBe('FREQ=WEEKLY;BYDAY=TU,TH;WKST=SU');
    });

    // RFC 5545 3.3.10: ranges, parts that exclude each other, parts that need another
    it('refuses by name of the part', function (string $text, string $part): void {
        try {
            RuleParser::parse($text);
        } catch (InvalidRule $bad) {
            expect($bad->part)->toBe($part)->and($bad->getMessage())->toContain('expected');

            return;
        }
        $this->fail("$text was taken.");
    })->with([
        'no frequency' => ['COUNT=3', 'FREQ'],
        'a frequency that is none' => ['FREQ=FORTNIGHTLY', 'FREQ'],
        'nothing' => ['', ''],
        'an unknown part' => ['FREQ=DAILY;BYMOON=1', 'BYMOON=1'],
        'a part twice' => ['FREQ=DAILY;COUNT=2;COUNT=3', 'COUNT'],
        'an interval of nothing' => ['FREQ=DAILY;INTERVAL=0', 'INTERVAL'],
        'a count of nothing' => ['FREQ=DAILY;COUNT=0', 'COUNT'],
        'an end that cannot be' => ['FREQ=DAILY;UNTIL=20260230', 'UNTIL'],
        'a month past December' => ['FREQ=YEARLY;BYMONTH=13', 'BYMONTH'],
        'a day 0' => ['FREQ=MONTHLY;BYMONTHDAY=0', 'BYMONTHDAY'],
        'a day 32' => ['FREQ=MONTHLY;BYMONTHDAY=32', 'BYMONTHDAY'],
        'an hour 24' => ['FREQ=DAILY;BYHOUR=24', 'BYHOUR'],
        'a weekday 0' => ['FREQ=MONTHLY;BYDAY=0MO', 'BYDAY'],
        'a weekday that is none' => ['FREQ=WEEKLY;BYDAY=XX', 'BYDAY'],
        'both ends' => ['FREQ=DAILY;COUNT=2;UNTIL=20261208', 'COUNT'],
        'week numbers in months' => ['FREQ=MONTHLY;BYWEEKNO=20', 'BYWEEKNO'],
        'numbered weekdays in weeks' => ['FREQ=WEEKLY;BYDAY=1MO', 'a numbered BYDAY'],
        'numbered weekdays beside week numbers' => ['FREQ=YEARLY;BYWEEKNO=20;BYDAY=1MO', 'a numbered BYDAY'],
        'days of the month in weeks' => ['FREQ=WEEKLY;BYMONTHDAY=1', 'BYMONTHDAY'],
        'days of the year in months' => ['FREQ=MONTHLY;BYYEARDAY=1', 'BYYEARDAY'],
        'a position of nothing' => ['FREQ=MONTHLY;BYSETPOS=1', 'BYSETPOS'],
        'skipping without a scale' => ['FREQ=MONTHLY;SKIP=FORWARD', 'SKIP'],
        'another calendar' => ['RSCALE=CHINESE;FREQ=YEARLY', 'RSCALE'],
    ]);
});

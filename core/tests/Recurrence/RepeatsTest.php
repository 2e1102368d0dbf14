<?php

declare(strict_types=1);

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
    ]);

    it('has no form for a rule that the sheet cannot say', function (string $rule): void {
        expect(Repeats::fromRule(RuleParser::parse($rule), WallTime::parse('2026-12-08T15:30:00')))->toBeNull();
    })->with(['FREQ=YEARLY;BYWEEKNO=20', 'FREQ=MONTHLY;BYDAY=MO,TU;BYSETPOS=-1', 'FREQ=HOURLY', 'FREQ=DAILY;BYHOUR=9,10', 'FREQ=MONTHLY;BYMONTHDAY=1,15']);
});

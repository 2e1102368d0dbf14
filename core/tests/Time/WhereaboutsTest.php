<?php

declare(strict_types=1);

use Syndex\Core\Overlap\BoardBuilder;
use Syndex\Core\Overlap\DateJudge;
use Syndex\Core\Overlap\Daylight;
use Syndex\Core\Overlap\Light;
use Syndex\Core\Overlap\Participant;
use Syndex\Core\Tests;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Time\Zone;

/** A stay from the midnight of one day to that of another, on the clock of the other place. */
$stay = static fn(string $zone, string $from, string $until): array => [
    Interval::between(Tests\zone($zone)->toUtc(WallTime::parseDate($from)->seconds), Tests\zone($zone)->toUtc(WallTime::parseDate($until)->seconds)), Tests\zone($zone),
];

describe('Zone::travelling', function () use ($stay): void {
    it('shows at every moment what PHP says the clock of the place shows', function (string $home, array $stays) use ($stay): void {
        $stays = array_map(static fn(array $s): array => $stay(...$s), $stays);
        $zone = Zone::travelling(Tests\zone($home), $stays);
        mt_srand(11);
        for ($i = 0; $i < 2000; $i++) {
            $at = mt_rand(Tests\at('2026-12-01T00:00:00Z'), Tests\at('2027-12-01T00:00:00Z'));
            $place = $home;
            foreach ($stays as [$interval, $there]) {
                $place = $at >= $interval->start && $at < $interval->end ? $there->id : $place;
            }
            $expected = (new DateTimeZone($place))->getOffset(new DateTimeImmutable("@$at"));

            expect($zone->offsetAt($at))->toBe($expected)->and($zone->idAt($at))->toBe($place);
        }
        foreach ($zone->changesBetween(Tests\at('2026-12-01T00:00:00Z'), Tests\at('2027-12-01T00:00:00Z')) as $change) {
            expect($zone->offsetAt($change['at'] - 1))->toBe($change['before'])->and($zone->offsetAt($change['at']))->toBe($change['after']);
        }
    })->with([
        'there and back' => ['Australia/Perth', [['Europe/Lisbon', '2027-05-03', '2027-05-13']]],
        'over a change of the other clocks' => ['Africa/Nairobi', [['Europe/Lisbon', '2027-03-20', '2027-04-10']]],
        'over a change at home' => ['Europe/Lisbon', [['Africa/Nairobi', '2027-03-20', '2027-04-10']]],
        'from one to the next' => ['Asia/Kathmandu', [['Pacific/Auckland', '2027-02-01', '2027-02-05'], ['America/Lima', '2027-02-05', '2027-02-09']]],
        'across the date line' => ['Pacific/Auckland', [['Pacific/Honolulu', '2027-03-10', '2027-04-20']]],
    ]);

    it('leads from a wall time to the moment, but for the hours that a traveller lives twice or never', function () use ($stay): void {
        $zone = Zone::travelling(Tests\zone('Australia/Perth'), [$stay('Europe/Lisbon', '2027-05-03', '2027-05-13')]);
        foreach (['2027-05-01T12:00:00', '2027-05-03T12:00:00', '2027-05-12T23:00:00', '2027-05-14T12:00:00'] as $wall) {
            $seconds = WallTime::parse($wall)->seconds;
            expect($zone->toWall($zone->toUtc($seconds)))->toBe($seconds);
        }
    });

    it('is the home itself for whoever stays there', function (): void {
        expect(Zone::travelling(Tests\zone('Africa/Nairobi'), []))->toBe(Tests\zone('Africa/Nairobi'));
    });

    it('takes the hours along, also on a journey that begins and ends within the week', function () use ($stay): void {
        $zone = Zone::travelling(Tests\zone('Australia/Perth'), [$stay('Europe/Lisbon', '2027-05-04', '2027-05-06')]);
        $hours = WorkingHours::usual()->within(Interval::between(Tests\at('2027-05-03T00:00:00Z'), Tests\at('2027-05-08T00:00:00Z')), $zone);

        // Lisbon is at UTC+1 in May, Perth at UTC+8.
        expect($hours->covers(Tests\slot('2027-05-04T08:00:00Z', 480)))->toBeTrue()
            ->and($hours->overlaps(Tests\slot('2027-05-05T02:00:00Z', 60)))->toBeFalse()
            ->and($hours->covers(Tests\slot('2027-05-07T01:00:00Z', 480)))->toBeTrue();
    });

    it('puts the traveller into the pane of the place, and calls it no clock shift', function () use ($stay): void {
        $series = Tests\series('2027-04-27T12:00:00', 'Africa/Nairobi', 'FREQ=WEEKLY;COUNT=3');
        $plan = Tests\plan($series, 45, 'Africa/Nairobi');
        $person = static fn(string $id, Zone $zone): Participant => new Participant($id, true, false, $zone, WorkingHours::usual(), true);
        $people = [$person('corin', Zone::travelling(Tests\zone('Australia/Perth'), [$stay('Europe/Lisbon', '2027-05-03', '2027-05-06')])), $person('ines', Tests\zone('Europe/Lisbon'))];
        $panes = static fn(int $index): array => array_map(static fn($p): array => [$p->places[0], count($p->threads)], BoardBuilder::build($plan, $people, $index)->day->panes);
        $standing = static fn(int $index) => (new DateJudge($plan, $people))->standings($index)[0];

        expect($panes(0))->toBe([['Lisbon', 1], ['Perth', 1]])
            ->and($panes(1))->toBe([['Lisbon', 2]])
            ->and([$standing(0)->local, $standing(0)->elsewhere])->toBe(['2027-04-27T17:00:00', null])
            ->and([$standing(1)->local, $standing(1)->elsewhere, $standing(1)->light])->toBe(['2027-05-04T10:00:00', 'Lisbon', Light::InHours])
            ->and((new DateJudge($plan, $people))->all()[1]->shifts)->toBe([]);
    });
});

describe('WorkingHours::withHolidays', function (): void {
    $christmas = Gregorian::dayNumber(2026, 12, 25);
    $sunday = Gregorian::dayNumber(2026, 12, 27);
    $hours = WorkingHours::usual()->withHolidays([$christmas => 'Christmas Day', $sunday => 'A Sunday']);

    it('has no hours on them, and says what they are called where there would be some', function () use ($hours, $christmas, $sunday): void {
        expect([$hours->isDayOff($christmas), $hours->holiday($christmas), $hours->ofDay($christmas)])->toBe([true, 'Christmas Day', []])
            ->and([$hours->isDayOff($sunday), $hours->holiday($sunday)])->toBe([true, null])
            ->and($hours->holiday($christmas - 1))->toBeNull()
            ->and($hours->toArray())->toBe(WorkingHours::usual()->toArray())
            ->and($hours->key())->not->toBe(WorkingHours::usual()->key());
    });

    it('makes the daytime a day off and the night a night', function (string $start, Light $light) use ($hours): void {
        expect(Daylight::of(Tests\slot($start, 30), $hours, Tests\zone('Europe/Lisbon')))->toBe($light);
    })->with([['2026-12-24T10:00:00Z', Light::InHours], ['2026-12-25T10:00:00Z', Light::DayOff], ['2026-12-25T03:00:00Z', Light::Night], ['2026-12-28T10:00:00Z', Light::InHours]]);

    it('is drawn on the thread with its name, and counts for who is off hours', function () use ($hours): void {
        $plan = Tests\plan(Tests\series('2026-12-25T10:00:00', 'Europe/Lisbon'), 30, 'Europe/Lisbon');
        $day = BoardBuilder::build($plan, [new Participant('ines', true, true, Tests\zone('Europe/Lisbon'), $hours, true)], 0)->day;

        expect($day->panes[0]->threads[0]->blocks[0]->tone)->toBe('holiday')
            ->and($day->panes[0]->threads[0]->blocks[0]->label)->toBe('Christmas Day')
            ->and($day->standings[0]->holiday)->toBe('Christmas Day')
            ->and($day->standings[0]->clashes)->toBe([]);
    });
});

<?php

declare(strict_types=1);

use Syndex\Core\Offers\AskedPerson;
use Syndex\Core\Offers\OfferReply;
use Syndex\Core\Offers\OfferStanding;
use Syndex\Core\Offers\OwnDay;
use Syndex\Core\Offers\RankOffers;
use Syndex\Core\Overlap\Light;
use Syndex\Core\Overlap\Segment;
use Syndex\Core\Tests;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\WorkingHours;

describe('RankOffers', function (): void {
    /** Each person as "a+~-": what they say to the times 1, 2, 3; a dot is nothing said, a capital is required. */
    $person = static function (string $said): AskedPerson {
        $replies = [];
        foreach (str_split(substr($said, 1)) as $at => $sign) {
            $reply = ['+' => OfferReply::Accepted, '~' => OfferReply::Tentative, '-' => OfferReply::Declined][$sign] ?? null;
            if ($reply !== null) {
                $replies[$at + 1] = $reply;
            }
        }

        return new AskedPerson(strtolower($said[0]), ctype_upper($said[0]), $replies);
    };

    it('puts first what a coordinator would take', function (array $said, array $order) use ($person): void {
        $ranked = RankOffers::of([1 => 100, 2 => 200, 3 => 300], array_map($person, $said));
        expect(array_map(static fn(OfferStanding $s): int => $s->time, $ranked))->toBe($order);
    })->with([
        'nothing said: in the order of time' => [['A...', 'b...'], [1, 2, 3]],
        'a required person who cannot outweighs all others' => [['A-++', 'b+--', 'c+--'], [2, 3, 1]],
        'then others who cannot' => [['A+++', 'b-+~'], [2, 3, 1]],
        'then required who come, before those who say nothing' => [['A..+', 'B..+'], [3, 1, 2]],
        'a required "perhaps" is no better than nothing said' => [['A~.+'], [3, 2, 1]],
        'then the fewest who say perhaps' => [['A+++', 'b~~.'], [3, 1, 2]],
        'nobody is asked' => [[], [1, 2, 3]],
    ]);

    it('names everybody at every time once', function () use ($person): void {
        [$second] = array_values(array_filter(RankOffers::of([1 => 100, 2 => 200], array_map($person, ['A-+', 'B~~', 'c..', 'D+-'])), static fn(OfferStanding $s): bool => $s->time === 2));
        expect([$second->accepted, $second->tentative, $second->declined, $second->awaiting])->toBe([['a'], ['b'], ['d'], ['c']]);
    });
});

describe('OwnDay', function (): void {
    $hours = static fn(array $days): WorkingHours => WorkingHours::of($days);
    $usual = $hours(array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], [['09:00', '17:00']]));
    $tones = static fn(OwnDay $day): array => array_map(static fn(Segment $s): string => "$s->from-$s->to $s->tone", $day->ground);
    $at = static fn(string $start, int $minutes): Interval => Interval::lasting(Tests\at($start), $minutes);

    it('shows the light of one’s own day, and where in it the time lies', function (string $start, string $zone, int $barAt, Light $light, array $ground) use ($usual, $tones, $at): void {
        $day = OwnDay::of($at($start, 45), $usual, Tests\zone($zone));
        expect([$day->barAt, $day->light, $tones($day)])->toBe([$barAt, $light, $ground]);
    })->with([
        // 15:30 on Tuesday in Nairobi (UTC+3) is 01:30 on Wednesday in Auckland (UTC+13 in December, IANA zone data).
        'at night' => ['2026-12-08T12:30:00Z', 'Pacific/Auckland', 90, Light::Night, ['0-420 night', '420-540 dusk', '540-1020 day', '1020-1140 dusk', '1140-1440 night']],
        'in hours' => ['2026-12-08T12:30:00Z', 'Africa/Nairobi', 930, Light::InHours, ['0-420 night', '420-540 dusk', '540-1020 day', '1020-1140 dusk', '1140-1440 night']],
        'on a day off' => ['2026-12-12T12:30:00Z', 'Europe/Lisbon', 750, Light::DayOff, ['0-420 night', '420-1140 day_off', '1140-1440 night']],
        // Clocks go back at 01:00 UTC that day: the second 01:30 (2026-10-25, Europe/Lisbon).
        'in the hour that comes twice' => ['2026-10-25T01:30:00Z', 'Europe/Lisbon', 90, Light::Night, ['0-420 night', '420-1140 day_off', '1140-1440 night']],
    ]);

    it('fills the day without a gap, whatever the hours', function (array $days) use ($hours, $at): void {
        foreach (range(7, 13) as $day) {
            $ground = OwnDay::of($at(sprintf('2026-12-%02dT10:00:00Z', $day), 60), $hours($days), Tests\zone('UTC'))->ground;
            expect($ground[0]->from)->toBe(0)->and($ground[count($ground) - 1]->to)->toBe(1440);
            foreach (array_slice($ground, 1) as $i => $segment) {
                expect($segment->from)->toBe($ground[$i]->to);
            }
        }
    })->with(['none' => [[]], 'a night shift' => [['mon' => [['22:00', '24:00']], 'tue' => [['00:00', '06:00']]]], 'with a break' => [['mon' => [['08:00', '12:00'], ['13:00', '17:00']]]], 'the whole day' => [['mon' => [['00:00', '24:00']]]], 'early' => [['mon' => [['01:00', '09:00']]]]]);

    it('calls a break dusk', function () use ($hours, $tones, $at): void {
        expect($tones(OwnDay::of($at('2026-12-07T12:15:00Z', 30), $hours(['mon' => [['08:00', '12:00'], ['13:00', '17:00']]]), Tests\zone('UTC'))))->toBe(['0-360 night', '360-480 dusk', '480-720 day', '720-780 dusk', '780-1020 day', '1020-1140 dusk', '1140-1440 night']);
    });
});

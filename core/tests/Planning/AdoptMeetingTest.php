<?php

declare(strict_types=1);

use Syndex\Core\ICalendar\CalendarReader;
use Syndex\Core\Planning\AdoptedMeeting;
use Syndex\Core\Planning\AdoptMeeting;
use Syndex\Core\Planning\CannotAdopt;
use Syndex\Core\Tests;
use Syndex\Core\Work;

/** @param list<string> $events each the lines of a VEVENT */
function adopted(array $events): AdoptedMeeting
{
    $text = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\n";
    foreach ($events as $lines) {
        $text .= "BEGIN:VEVENT\r\nUID:one@far.example\r\n" . str_replace("\n", "\r\n", trim($lines)) . "\r\nEND:VEVENT\r\n";
    }
    $entries = iterator_to_array(CalendarReader::ofText($text . "END:VCALENDAR\r\n", Tests\zones(), Work::atMost(100_000))->entries(), false);

    return AdoptMeeting::of($entries, Tests\zone('Africa/Nairobi'));
}

$weekly = "DTSTART;TZID=Europe/Lisbon:20270105T093000\nDTEND;TZID=Europe/Lisbon:20270105T100000\nRRULE:FREQ=WEEKLY;COUNT=3\nSUMMARY:Seed call";

describe('AdoptMeeting', function () use ($weekly): void {
    it('takes over what single dates have of their own (RFC 5545 3.8.4.4)', function () use ($weekly): void {
        $meeting = adopted([$weekly, "RECURRENCE-ID;TZID=Europe/Lisbon:20270112T093000\nDTSTART;TZID=Europe/Lisbon:20270113T110000\nDTEND;TZID=Europe/Lisbon:20270113T121500\nSUMMARY:Seed call, with guests\nLOCATION:Hall B"]);

        expect(array_map(static fn(array $p): array => [$p[0]->format(), $p[1]->format()], $meeting->moved->pairs()))->toBe([['2027-01-12T09:30:00', '2027-01-13T11:00:00']])
            ->and(array_map(static fn($d): array => [$d->date->format(), $d->minutes, $d->title, $d->place], $meeting->dates))->toBe([['2027-01-12T09:30:00', 75, 'Seed call, with guests', 'Hall B']])
            ->and($meeting->notes)->toBe([]);
    });

    it('takes dates, zone and length over', function (array $events, array $dates, string $zone, int $minutes, array $notes): void {
        $meeting = adopted($events);

        expect([Tests\dates($meeting->series), $meeting->anchor->id, $meeting->durationMinutes, array_column($meeting->notes, 'code')])->toBe([$dates, $zone, $minutes, $notes]);
    })->with([
        'a series' => [[$weekly], ['2027-01-05T09:30:00', '2027-01-12T09:30:00', '2027-01-19T09:30:00'], 'Europe/Lisbon', 30, []],
        'a moment in UTC, on our clock' => [["DTSTART:20270105T093000Z\nDURATION:PT1H"], ['2027-01-05T12:30:00'], 'Africa/Nairobi', 60, []],
        'a series in UTC keeps it' => [["DTSTART:20270105T093000Z\nDTEND:20270105T103000Z\nRRULE:FREQ=DAILY;COUNT=2"], ['2027-01-05T09:30:00', '2027-01-06T09:30:00'], 'UTC', 60, []],
        'floating' => [["DTSTART:20270105T093000\nDTEND:20270105T103000"], ['2027-01-05T09:30:00'], 'Africa/Nairobi', 60, ['floating']],
        'whole days' => [["DTSTART;VALUE=DATE:20270105\nDTEND;VALUE=DATE:20270107"], ['2027-01-05T00:00:00'], 'Africa/Nairobi', 2880, []],
        'without an end' => [["DTSTART:20270105T093000Z"], ['2027-01-05T12:30:00'], 'Africa/Nairobi', 30, ['no_end']],
        'an odd length' => [["DTSTART:20270105T093000Z\nDTEND:20270105T101200Z"], ['2027-01-05T12:30:00'], 'Africa/Nairobi', 45, ['length']],
        'a length past a day' => [["DTSTART:20270105T090000Z\nDURATION:P3D"], ['2027-01-05T12:00:00'], 'Africa/Nairobi', 1440, ['length']],
        'a rule that cannot be' => [["DTSTART;VALUE=DATE:20270105\nRRULE:FREQ=HOURLY;COUNT=2\nDURATION:P1D"], ['2027-01-05T00:00:00'], 'Africa/Nairobi', 1440, ['rule']],
        'a start off its rule' => [["DTSTART;TZID=Europe/Lisbon:20270105T093000\nDTEND;TZID=Europe/Lisbon:20270105T100000\nRRULE:FREQ=WEEKLY;BYDAY=WE;COUNT=2"], ['2027-01-05T09:30:00', '2027-01-06T09:30:00', '2027-01-13T09:30:00'], 'Europe/Lisbon', 30, ['start_off_rule']],
        'a moved date, a cancelled one' => [
            ["$weekly", "RECURRENCE-ID;TZID=Europe/Lisbon:20270112T093000\nDTSTART;TZID=Europe/Lisbon:20270113T110000\nDTEND;TZID=Europe/Lisbon:20270113T113000\nSUMMARY:Seed call", "RECURRENCE-ID;TZID=Europe/Lisbon:20270119T093000\nDTSTART;TZID=Europe/Lisbon:20270119T093000\nSTATUS:CANCELLED"],
            ['2027-01-05T09:30:00', '2027-01-13T11:00:00'], 'Europe/Lisbon', 30, [],
        ],
        'a date with another title' => [[$weekly, "RECURRENCE-ID;TZID=Europe/Lisbon:20270112T093000\nDTSTART;TZID=Europe/Lisbon:20270112T093000\nDTEND;TZID=Europe/Lisbon:20270112T100000\nSUMMARY:Seed call\nDESCRIPTION:Other words"], ['2027-01-05T09:30:00', '2027-01-12T09:30:00', '2027-01-19T09:30:00'], 'Europe/Lisbon', 30, ['date_otherwise']],
        'a change to a date that is none' => [[$weekly, "RECURRENCE-ID;TZID=Europe/Lisbon:20270113T093000\nDTSTART;TZID=Europe/Lisbon:20270113T110000\nSUMMARY:Seed call"], ['2027-01-05T09:30:00', '2027-01-12T09:30:00', '2027-01-19T09:30:00'], 'Europe/Lisbon', 30, ['change_lost']],
        'this and all after' => [[$weekly, "RECURRENCE-ID;RANGE=THISANDFUTURE;TZID=Europe/Lisbon:20270112T093000\nDTSTART;TZID=Europe/Lisbon:20270112T110000\nSUMMARY:Seed call"], ['2027-01-05T09:30:00', '2027-01-12T09:30:00', '2027-01-19T09:30:00'], 'Europe/Lisbon', 30, ['this_and_future']],
        'a changed date alone' => [["RECURRENCE-ID;TZID=Europe/Lisbon:20270112T093000\nDTSTART;TZID=Europe/Lisbon:20270113T110000\nDURATION:PT30M"], ['2027-01-13T11:00:00'], 'Europe/Lisbon', 30, []],
    ]);

    it('says UNTIL as a day where that is the same', function (string $until, string $expected): void {
        expect(adopted(["DTSTART;TZID=America/New_York:20270105T200000\nDURATION:PT1H\nRRULE:FREQ=DAILY;BYHOUR=8,20;UNTIL=$until"])->series->rule?->toText())->toBe("FREQ=DAILY;UNTIL=$expected;BYHOUR=8,20");
    })->with([
        // 01:00 UTC on 8 January is 20:00 on the 7th in New York, the last date of that day.
        'the last of its day' => ['20270108T010000Z', '20270107'],
        'not the last of its day' => ['20270107T130000Z', '20270107T130000Z'],
    ]);

    it('names everybody once, the organizer first', function (): void {
        $people = adopted(["DTSTART:20270105T093000Z\nDURATION:PT1H\nORGANIZER;CN=Rosa Quispe:mailto:rosa@far.example\nATTENDEE;ROLE=OPT-PARTICIPANT:mailto:ana@far.example\nATTENDEE:mailto:Rosa@far.example\nATTENDEE;CN=Ida:mailto:ida@far.example"])->people;

        expect(array_map(static fn(array $p): array => [$p['person']->email, $p['person']->name, $p['isRequired']], $people))
            ->toBe([['rosa@far.example', 'Rosa Quispe', true], ['ana@far.example', null, false], ['ida@far.example', 'Ida', true]]);
    });

    it('refuses what is no meeting', function (string $event, string $why): void {
        $refused = null;
        try {
            adopted([$event]);
        } catch (CannotAdopt $cannot) {
            $refused = $cannot->why;
        }

        expect($refused)->toBe($why);
    })->with([['SUMMARY:Never', 'no_start'], ["DTSTART:20270105T093000Z\nSTATUS:CANCELLED", 'called_off'], ["DTSTART:20270105T093000Z\nRRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30", 'no_dates']]);
});

<?php

declare(strict_types=1);

use Sabre\VObject\Reader;
use Syndex\Core\Headless\Protocol;
use Syndex\Core\Tests;

/** @return array<string, mixed> */
function calendarVerb(string $verb, mixed $asked): array
{
    return json_decode((string) Protocol::forVerb($verb, Tests\zones())?->answer((string) json_encode($asked)), true);
}

/**
 * An event made up by chance, with every key in the form in which `read` answers it.
 *
 * @return array<string, mixed>
 */
function madeUpEvent(): array
{
    $pick = static fn(array $of): mixed => $of[mt_rand(0, count($of) - 1)];
    $texts = [null, '', 'Plain', "Two\nlines, with; every\\thing: \"quoted\" ^ and ^n", str_repeat('Größe 漢字 🌱 ', 20), " spaces \t at the ends "];
    $zone = $pick(['Europe/Lisbon', 'America/New_York', 'Africa/Casablanca', 'Asia/Kathmandu', 'Pacific/Chatham', 'Australia/Lord_Howe', 'UTC', null, 'date']);
    $wall = gmmktime(mt_rand(0, 23), 15 * mt_rand(0, 3), 0, mt_rand(1, 12), mt_rand(1, 28), mt_rand(1975, 2060));
    $format = static fn(int $wall): string => match ($zone) {
        'date' => gmdate('Y-m-d', $wall),
        null => gmdate('Y-m-d\TH:i:s', $wall),
        default => str_replace('+00:00', $zone === 'UTC' ? 'Z' : '+00:00', (new DateTimeImmutable('@' . Tests\zone($zone)->toUtc($wall)))->setTimezone(new DateTimeZone($zone))->format('Y-m-d\TH:i:sP')),
    };
    $day = 86400;
    $rule = $pick([null, 'FREQ=WEEKLY;BYDAY=MO,WE;INTERVAL=2', 'FREQ=MONTHLY;BYDAY=-1FR;COUNT=10', 'FREQ=DAILY;COUNT=1', 'RSCALE=GREGORIAN;FREQ=YEARLY;SKIP=FORWARD']);

    return [
        'uid' => 'u' . mt_rand() . '@x.example',
        'sequence' => mt_rand(0, 9),
        'start' => $format($wall),
        'end' => $pick([null, $format($wall + $day), $format($wall + 3 * $day), $format($wall)]),
        'tzid' => $zone === 'date' ? null : $zone,
        'all_day' => $zone === 'date',
        'summary' => $pick($texts),
        'description' => $pick($texts),
        'location' => $pick($texts),
        'status' => $pick([null, 'confirmed', 'tentative', 'cancelled']),
        'transp' => $pick(['opaque', 'transparent']),
        'class' => $pick(['public', 'private', 'confidential']),
        'url' => $pick([null, 'https://meet.example/a,b;c?d=\\n']),
        'dtstamp' => '2026-11-25T08:00:00Z',
        'organizer' => $pick([null, ['email' => 'bo@x.example', 'name' => null, 'sent_by' => null], ['email' => 'Bo@x.example', 'name' => "Bo \"B\" Ba, ^ Co\nKG", 'sent_by' => 'aide@x.example']]),
        'attendees' => array_map(static fn(): array => [
            'email' => $pick(['a@x.example', 'urn:uuid:1234', 'Ünï@x.example']),
            'name' => $pick([null, '', 'Ann', 'A; B: C, D', "^'^^n"]),
            'role' => $pick(['chair', 'required', 'optional', 'none']),
            'partstat' => $pick(['needs-action', 'accepted', 'declined', 'tentative', 'delegated']),
            'rsvp' => $pick([true, false]),
        ], array_fill(0, mt_rand(0, 3), 0)),
        'rrule' => $rule,
        'rdate' => $pick([[], [$format($wall + 10 * $day), $format($wall - 5 * $day)]]),
        'exdate' => $pick([[], [$format($wall + 7 * $day)]]),
        'recurrence_id' => $recurrenceId = $pick([null, null, $format($wall + 2 * $day), gmdate($zone === 'date' ? 'Y-m-d\TH:i:s\Z' : 'Y-m-d', $wall + 2 * $day)]),
        'range' => $recurrenceId === null ? null : $pick([null, 'thisandfuture']),
    ];
}

describe('read and write', function (): void {
    it('read(write(x)) = x', function (int $seed): void {
        mt_srand($seed);
        for ($i = 0; $i < 60; $i++) {
            $asked = ['method' => [null, 'REQUEST'][mt_rand(0, 1)], 'events' => array_map(madeUpEvent(...), array_fill(0, mt_rand(1, 3), 0))];
            $ics = calendarVerb('write', $asked)['ics'] ?? throw new Exception("seed $seed: " . json_encode(calendarVerb('write', $asked)));
            $read = calendarVerb('read', ['ics' => $ics]);

            expect(['method' => $read['method'], 'events' => $read['events']])->toBe($asked, "seed $seed")->and($read['warnings'])->toBe([]);
            // write(read(f)) is stable
            expect(calendarVerb('write', ['method' => $read['method'], 'events' => $read['events']])['ics'])->toBe($ics, "seed $seed");
            foreach (explode("\r\n", $ics) as $line) {
                expect(strlen($line))->toBeLessThanOrEqual(75); // RFC 5545 3.1
            }
        }
    })->with([1, 2, 3, 4, 5]);

    it('is read alike by a reference reader', function (int $seed): void {
        mt_srand($seed);
        for ($i = 0; $i < 40; $i++) {
            $event = madeUpEvent();
            $theirs = Reader::read(calendarVerb('write', ['events' => [$event]])['ics'])->VEVENT;
            $start = $theirs->DTSTART->getDateTime();

            expect((string) $theirs->UID)->toBe($event['uid'])
                ->and($start->format(match (true) { $event['all_day'] => 'Y-m-d', $event['tzid'] === null => 'Y-m-d\TH:i:s', $event['tzid'] === 'UTC' => 'Y-m-d\TH:i:s\Z', default => 'Y-m-d\TH:i:sP' }))->toBe($event['start'])
                ->and(isset($theirs->SUMMARY) ? (string) $theirs->SUMMARY : null)->toBe($event['summary'])
                ->and(isset($theirs->RRULE) ? (string) $theirs->RRULE : null)->toBe($event['rrule'])
                ->and(count($theirs->ATTENDEE ?? []))->toBe(count($event['attendees']));
        }
    })->with([11, 12]);

    it('says by its code what cannot be written', function (array $changes, ?string $code, string $needle): void {
        $event = $changes + ['uid' => 'a', 'start' => '2026-12-08T15:30:00+01:00', 'tzid' => 'Europe/Berlin'];
        $answer = calendarVerb('write', ['now' => '2026-11-25T00:00:00Z', 'events' => [$event]]);

        expect($answer['error']['code'] ?? null)->toBe($code)->and($answer['error']['message'] ?? $answer['ics'])->toContain($needle);
    })->with([
        'an offset of another zone' => [['start' => '2026-12-08T15:30:00+02:00'], 'bad_value', 'Europe/Berlin'],
        'an unknown zone' => [['tzid' => 'Mars/Base'], 'unknown_zone', 'Mars/Base'],
        'a wall time beside a zone' => [['start' => '2026-12-08T15:30:00'], 'bad_value', 'start'],
        'a rule that cannot be' => [['rrule' => 'FREQ=NEVER'], 'bad_rule', 'FREQ'],
        'a rule of hours for a date' => [['start' => '2026-12-08', 'tzid' => null, 'rrule' => 'FREQ=HOURLY'], 'bad_rule', 'FREQ'],
        'an end before the start' => [['end' => '2026-12-08T15:00:00+01:00'], 'bad_value', 'end'],
        'a date among times' => [['exdate' => ['2026-12-08']], 'bad_value', 'exdate'],
        'all day and a time' => [['all_day' => true], 'bad_value', 'all_day'],
        'an unknown key of a person' => [['attendees' => [['email' => 'a@b.example', 'x' => 1]]], 'unknown_key', '"x"'],
        'an unknown role' => [['attendees' => [['email' => 'a@b.example', 'role' => 'boss']]], 'bad_value', 'role'],
        'a range alone' => [['range' => 'thisandfuture'], 'bad_value', 'range'],
        'control characters' => [['summary' => "a\x07"], 'not_expressible', 'summary'],
        'a breaking link' => [['url' => "https://x.example/\nATTENDEE:mailto:x@y.example"], 'not_expressible', 'url'],
        'the second pass of an hour, single' => [['start' => '2026-10-25T02:30:00+01:00'], null, 'DTSTART:20261025T013000Z'],
        'the second pass of an hour, series' => [['start' => '2026-10-25T02:30:00+01:00', 'rrule' => 'FREQ=DAILY'], 'not_expressible', 'start'],
        'an end in the second pass' => [['start' => '2026-10-25T01:30:00+02:00', 'end' => '2026-10-25T02:30:00+01:00'], null, 'DURATION:PT2H'],
        'a bare offset, single' => [['start' => '2026-12-08T15:30:00+05:00', 'tzid' => null], null, 'DTSTART:20261208T103000Z'],
        'a bare offset, series' => [['start' => '2026-12-08T15:30:00+05:00', 'tzid' => null, 'rdate' => ['2026-12-09T15:30:00+05:00']], 'not_expressible', 'start'],
        // RFC 5545 3.3.10: UNTIL in UTC beside a zone, a date for dates
        'a day as UNTIL' => [['rrule' => 'freq=daily;until=20261231'], null, 'RRULE:FREQ=DAILY;UNTIL=20261231T225959Z'],
        'a time as UNTIL of dates' => [['start' => '2026-12-08', 'tzid' => null, 'rrule' => 'FREQ=DAILY;UNTIL=20261231T120000Z'], null, 'UNTIL=20261231' . "\r\n"],
    ]);

    it('asks for a moment where an event has no stamp', function (): void {
        expect(calendarVerb('write', ['events' => [['uid' => 'a', 'start' => '2026-12-08']]])['error']['code'])->toBe('bad_value');
    });

    it('reads bytes', function (): void {
        expect(calendarVerb('read', ['ics_base64' => base64_encode("BEGIN:VCALENDAR\nBEGIN:VEVENT\nUID:\xFC\nDTSTART:20261208\nEND:VEVENT\nEND:VCALENDAR")])['events'][0]['uid'])->toBe('ü')
            ->and(calendarVerb('read', ['ics_base64' => 'no base 64!'])['error']['code'])->toBe('bad_value')
            ->and(calendarVerb('read', ['ics' => null])['error']['code'])->toBe('bad_value');
    });
});

<?php

declare(strict_types=1);

use Sabre\VObject\Reader;
use Syndex\Core\Headless\EventKeys;
use Syndex\Core\ICalendar\CalendarReader;
use Syndex\Core\ICalendar\NotACalendar;
use Syndex\Core\ICalendar\ReadWarning;
use Syndex\Core\ICalendar\WindowsZones;
use Syndex\Core\Tests;
use Syndex\Core\Work;

/** @return array{method: ?string, events: list<array<string, mixed>>, warnings: list<array{?int, string}>} */
function readIcs(string $octets): array
{
    $reader = CalendarReader::ofText($octets, Tests\zones(), Work::atMost(10_000_000));
    $events = array_map(EventKeys::write(...), iterator_to_array($reader->entries(), false));

    return ['method' => $reader->method(), 'events' => $events, 'warnings' => array_map(static fn(ReadWarning $w): array => [$w->line, $w->code], $reader->warnings->all())];
}

/** The lines of one event within a calendar; the event's first line is the third. */
function eventOf(string $lines): string
{
    return "BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\n" . str_replace("\n", "\r\n", $lines) . "\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
}

const BERLIN_CLOCK = "BEGIN:STANDARD\nDTSTART:19701025T030000\nRRULE:FREQ=YEARLY;BYMONTH=10;BYDAY=-1SU\nTZOFFSETFROM:+0200\nTZOFFSETTO:+0100\nEND:STANDARD\nBEGIN:DAYLIGHT\nDTSTART:19700329T020000\nRRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=-1SU\nTZOFFSETFROM:+0100\nTZOFFSETTO:+0200\nEND:DAYLIGHT\n";

const START = "UID:a\nDTSTART;TZID=Europe/Berlin:20261208T153000";

describe('CalendarReader', function (): void {
    it('reads an event whole', function (): void {
        // The meeting of RFC 5545 3.6.1 and the group of properties of RFC 5546 3.2.2, written anew.
        $read = readIcs("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nMETHOD:request\r\n" . substr(eventOf(
            "UID:19970901T130000Z-123401@example.com\nDTSTAMP:19970901T130000Z\nSEQUENCE:3\nDTSTART:19970903T163000Z\nDTEND:19970903T190000Z\n"
            . "SUMMARY:Annual\\, long\\; review\nDESCRIPTION:One\\nTwo\\NThree \\\\ \\x\nLOCATION:\nSTATUS:tentative\nTRANSP:TRANSPARENT\nCLASS:X-SECRET\nURL:https://meet.example/a,b;c\\n\n"
            . "ORGANIZER;CN=\"Bo, Ba\";SENT-BY=\"MAILTO:Aide@EXAMPLE.com\":MAILTO:Bo.Ba@EXAMPLE.com\nATTENDEE;ROLE=CHAIR;PARTSTAT=ACCEPTED;RSVP=TRUE;CN=a^'b^^c^n:mailto:a@b.example\nATTENDEE;PARTSTAT=X-ODD:urn:uuid:7\n"
            . 'CATEGORIES:BUSINESS',
        ), 17));

        expect($read)->toBe(['method' => 'REQUEST', 'events' => [[
            'uid' => '19970901T130000Z-123401@example.com', 'sequence' => 3, 'start' => '1997-09-03T16:30:00Z', 'end' => '1997-09-03T19:00:00Z', 'tzid' => 'UTC', 'all_day' => false,
            'summary' => 'Annual, long; review', 'description' => "One\nTwo\nThree \\ \\x", 'location' => '', 'status' => 'tentative', 'transp' => 'transparent', 'class' => 'private',
            'url' => 'https://meet.example/a,b;c\\n', 'dtstamp' => '1997-09-01T13:00:00Z', 'organizer' => ['email' => 'Bo.Ba@example.com', 'name' => 'Bo, Ba', 'sent_by' => 'Aide@example.com'],
            'attendees' => [
                ['email' => 'a@b.example', 'name' => "a\"b^c\n", 'role' => 'chair', 'partstat' => 'accepted', 'rsvp' => true],
                ['email' => 'urn:uuid:7', 'name' => null, 'role' => 'required', 'partstat' => 'needs-action', 'rsvp' => false],
            ],
            'rrule' => null, 'rdate' => [], 'exdate' => [], 'recurrence_id' => null, 'range' => null,
        ]], 'warnings' => []]);
    });

    it('reads what the wild brings, with a warning where something was lost or mended', function (string $ics, array $expected, array $codes): void {
        $read = readIcs($ics);

        expect(array_intersect_key($read['events'][0], $expected))->toBe($expected)->and(array_column($read['warnings'], 1))->toBe($codes);
    })->with([
        'bare LF' => [str_replace("\r", '', eventOf(START . "\nSUMMARY:A\n B")), ['summary' => 'AB'], []],
        'bare CR' => [str_replace("\r\n", "\r", eventOf(START . "\nSUMMARY:A\n B")), ['summary' => 'AB'], []],
        'doubled CR' => [str_replace("\r\n", "\r\r\n", eventOf(START . "\nSUMMARY:A\n B")), ['summary' => 'AB'], []],
        'byte order mark' => ["\xEF\xBB\xBF" . eventOf(START), ['uid' => 'a'], []],
        'no line break at the end' => [rtrim(eventOf(START)), ['uid' => 'a'], []],
        'a fold within a character' => [eventOf(START . "\nSUMMARY:Gr\xC3\n \xBC\xC3\x9Fe"), ['summary' => 'Grüße'], []],
        'a fold by a tab' => [eventOf(START . "\nSUMMARY:A\n\tB"), ['summary' => 'AB'], []],
        'Latin-1' => [eventOf(START . "\nSUMMARY:Gr\xFC\xDFe \x80"), ['summary' => 'Grüße €'], ['not_utf8']],
        'a line never folded' => [eventOf(START . "\nDESCRIPTION:" . str_repeat('lang ', 2000)), ['description' => str_repeat('lang ', 2000)], []],
        'small letters' => [strtolower(eventOf("UID:a\nDTSTART;VALUE=DATE:20261208\nRRULE:FREQ=DAILY")), ['start' => '2026-12-08', 'rrule' => 'FREQ=DAILY'], []],
        'a broken line' => [eventOf(START . "\nthis is nothing\nSUMMARY:x"), ['summary' => 'x'], ['broken_line']],
        'a broken parameter' => [eventOf(START . "\nATTENDEE;CN=\"Jo \"Jo\" Do\":mailto:a@b.example\nSUMMARY:x"), ['summary' => 'x', 'attendees' => []], ['broken_line']],
        'control characters' => [eventOf(START . "\nSUMMARY:a\x07b"), ['summary' => 'ab'], ['control_character']],
        'a property twice' => [eventOf(START . "\nSUMMARY:one\nSUMMARY:two"), ['summary' => 'one'], ['duplicate']],
        'two rules' => [eventOf(START . "\nRRULE:FREQ=DAILY\nRRULE:FREQ=WEEKLY"), ['rrule' => 'FREQ=DAILY'], ['duplicate']],
        'a rule that cannot be' => [eventOf(START . "\nRRULE:FREQ=NEVER"), ['rrule' => null], ['bad_rule']],
        'no UID' => [eventOf('DTSTART:20261208T153000'), ['uid' => null, 'start' => '2026-12-08T15:30:00', 'tzid' => null], ['no_uid']],
        'no start' => [eventOf("UID:a\nDTEND:20261208T153000Z\nEXDATE:20261208T153000Z"), ['start' => null, 'end' => null, 'exdate' => []], ['no_start']],
        'a start that cannot be' => [eventOf("UID:a\nDTSTART:20260230T153000"), ['start' => null], ['bad_value']],
        'a date without VALUE' => [eventOf("UID:a\nDTSTART:20261208"), ['start' => '2026-12-08', 'all_day' => true], ['value_type']],
        'end before start' => [eventOf(START . "\nDTEND;TZID=Europe/Berlin:20261208T143000"), ['end' => null], ['end_before_start']],
        'end and duration' => [eventOf(START . "\nDTEND;TZID=Europe/Berlin:20261208T163000\nDURATION:PT1H"), ['end' => null], ['end_and_duration']],
        'a duration of days over a change of clocks' => [eventOf("UID:a\nDTSTART;TZID=Europe/Berlin:20260328T120000\nDURATION:P1DT1H"), ['end' => '2026-03-29T13:00:00+02:00'], []],
        'an exact duration over a change of clocks' => [eventOf("UID:a\nDTSTART;TZID=Europe/Berlin:20260328T120000\nDURATION:PT24H"), ['end' => '2026-03-29T13:00:00+02:00'], []],
        'weeks' => [eventOf("UID:a\nDTSTART;VALUE=DATE:20260328\nDURATION:P1W"), ['end' => '2026-04-04'], []],
        'an end in another zone' => [eventOf(START . "\nDTEND;TZID=Europe/Lisbon:20261208T153000"), ['end' => '2026-12-08T16:30:00+01:00'], []],
        'an end in UTC' => [eventOf(START . "\nDTEND:20261208T153000Z"), ['end' => '2026-12-08T16:30:00+01:00'], []],
        'an end without zone' => [eventOf(START . "\nDTEND:20261208T163000"), ['end' => '2026-12-08T16:30:00+01:00'], ['no_zone']],
        'an end of another form' => [eventOf(START . "\nDTEND;VALUE=DATE:20261209"), ['end' => null], ['bad_value']],
        'a local time that is skipped' => [eventOf("UID:a\nDTSTART;TZID=Europe/Berlin:20260329T023000"), ['start' => '2026-03-29T03:30:00+02:00'], []],
        'a local time that comes twice' => [eventOf("UID:a\nDTSTART;TZID=Europe/Berlin:20261025T023000"), ['start' => '2026-10-25T02:30:00+02:00'], []],
        'dates in several lines and zones' => [eventOf(START . "\nEXDATE;TZID=Europe/Berlin:20261209T153000,20261210T153000\nEXDATE:20261211T143000Z\nRDATE;VALUE=PERIOD;TZID=Europe/Berlin:20261212T153000/PT1H"), ['rdate' => ['2026-12-12T15:30:00+01:00'], 'exdate' => ['2026-12-09T15:30:00+01:00', '2026-12-10T15:30:00+01:00', '2026-12-11T15:30:00+01:00']], ['period']],
        'a whole series of days, a date of it named by its day' => [eventOf("UID:a\nDTSTART;VALUE=DATE:20261208\nRECURRENCE-ID;VALUE=DATE:20261209"), ['recurrence_id' => '2026-12-09'], []],
        // RFC 5545 3.8.4.4: it has the form of the series' DTSTART, which may differ from that of the date itself.
        'a day of a series moved to a time' => [eventOf("UID:a\nDTSTART:20261208T090000Z\nRECURRENCE-ID;VALUE=DATE:20261209"), ['start' => '2026-12-08T09:00:00Z', 'recurrence_id' => '2026-12-09'], []],
        'a time of a series moved to a day' => [eventOf("UID:a\nDTSTART;VALUE=DATE:20261208\nRECURRENCE-ID:20261209T100000Z"), ['start' => '2026-12-08', 'recurrence_id' => '2026-12-09T10:00:00Z'], []],
        // RFC 5545 3.3.14: an offset has two digits of hours and is less than a day; its observance is left out.
        ...array_map(static fn(string $offset): array => ["BEGIN:VCALENDAR\nBEGIN:VTIMEZONE\nTZID:Own\nBEGIN:STANDARD\nDTSTART:19700101T000000\nTZOFFSETFROM:+0100\nTZOFFSETTO:$offset\nEND:STANDARD\nEND:VTIMEZONE\n" . substr(eventOf("UID:a\nDTSTART;TZID=Own:20261208T153000"), 17), ['start' => '2026-12-08T15:30:00', 'tzid' => null], ['bad_value', 'zone_unknown']], ['a day' => '+2400', 'more than a day' => '-9959', 'sixty minutes' => '+0160']),
        'this and future' => [eventOf(START . "\nRECURRENCE-ID;RANGE=THISANDFUTURE;TZID=Europe/Berlin:20261209T153000"), ['recurrence_id' => '2026-12-09T15:30:00+01:00', 'range' => 'thisandfuture'], []],
        'a zone in another letter case' => [eventOf("UID:a\nDTSTART;TZID=EUROPE/berlin:20261208T153000"), ['tzid' => 'Europe/Berlin'], []],
        'a Windows zone (CLDR)' => [eventOf("UID:a\nDTSTART;TZID=E. South America Standard Time:20261208T153000"), ['start' => '2026-12-08T15:30:00-03:00', 'tzid' => 'America/Sao_Paulo'], []],
        'a zone at the end of a path' => [eventOf("UID:a\nDTSTART;TZID=/some.example/2019_1/America/Argentina/Buenos_Aires:20261208T153000"), ['tzid' => 'America/Argentina/Buenos_Aires'], []],
        'a zone that nobody knows' => [eventOf("UID:a\nDTSTART;TZID=Nowhere:20261208T153000"), ['start' => '2026-12-08T15:30:00', 'tzid' => null], ['zone_unknown']],
        'an alarm does not leak' => [eventOf(START . "\nBEGIN:VALARM\nSUMMARY:leak\nDESCRIPTION:leak\nEND:VALARM"), ['summary' => null, 'description' => null], []],
        'an event without END' => ["BEGIN:VCALENDAR\nBEGIN:VEVENT\n" . START . "\nBEGIN:VALARM\nBEGIN:VEVENT\nUID:b\nEND:VCALENDAR\n", ['uid' => 'a'], ['unclosed', 'unclosed', 'unclosed', 'no_start']],
        'a file cut off' => ["BEGIN:VCALENDAR\nBEGIN:VEVENT\n" . START, ['uid' => 'a'], ['unclosed', 'unclosed']],
        'text before the calendar' => ["Hello\n" . eventOf(START), ['uid' => 'a'], ['broken_line']],
    ]);

    it('lets a known name decide over a VTIMEZONE, and a clock where no name is known', function (string $tzid, string $clock, ?string $zone, string $start, array $codes): void {
        // The zone stands after the event, as RFC 5545 3.4 allows.
        $read = readIcs("BEGIN:VCALENDAR\nBEGIN:VEVENT\nUID:a\nDTSTART;TZID=$tzid:20260708T153000\nEND:VEVENT\nBEGIN:VTIMEZONE\nTZID:" . trim($tzid, '"') . "\n{$clock}END:VTIMEZONE\nEND:VCALENDAR\n");

        expect([$read['events'][0]['tzid'], $read['events'][0]['start'], array_column($read['warnings'], 1)])->toBe([$zone, $start, $codes]);
    })->with([
        'a name that is known' => ['Asia/Tokyo', BERLIN_CLOCK, 'Asia/Tokyo', '2026-07-08T15:30:00+09:00', []],
        'the clock of one named in it' => ['Amt fuer Berlin', BERLIN_CLOCK, 'Europe/Berlin', '2026-07-08T15:30:00+02:00', ['zone_by_clock']],
        'a clock of many' => ['"(UTC+01:00) Mitte"', BERLIN_CLOCK, 'Europe/Budapest', '2026-07-08T15:30:00+02:00', ['zone_by_clock']],
        'a clock of nobody' => ['Odd', str_replace('+0200', '+0217', BERLIN_CLOCK), null, '2026-07-08T15:30:00+02:17', ['zone_unknown']],
    ]);

    it('takes events of all calendars in their order, and the method of the first', function (): void {
        $read = readIcs("BEGIN:VCALENDAR\nMETHOD:CANCEL\n" . substr(eventOf("UID:a\nDTSTART:20261208T153000Z"), 17) . "BEGIN:VCALENDAR\nMETHOD:REQUEST\nBEGIN:VTODO\nUID:t\nEND:VTODO\n" . substr(eventOf("UID:b\nDTSTART:20261208T153000Z"), 17));

        expect($read['method'])->toBe('CANCEL')->and(array_column($read['events'], 'uid'))->toBe(['a', 'b'])->and($read['warnings'])->toBe([]);
    });

    it('counts physical lines in its warnings', function (): void {
        expect(readIcs(eventOf("UID:a\n b\nDTSTART:20261208T153000Z\nbroken"))['warnings'])->toBe([[6, 'broken_line']]);
    });

    it('refuses what is no calendar', function (string $octets): void {
        readIcs($octets);
    })->with(['', 'Hello', "BEGIN:VCARD\nFN:x\nEND:VCARD\n", "BEGIN:VEVENT\nUID:a\nEND:VEVENT\n"])->throws(NotACalendar::class);

    it('knows the Windows names as ICU does', function (): void {
        // CLDR supplemental/windowsZones, territory 001; ICU has an older edition, so a name may be missing there
        $known = 0;
        foreach (WindowsZones::IANA as $windows => $iana) {
            $icu = IntlTimeZone::getIDForWindowsID($windows);
            // Two were moved since that edition, when clocks of Kazakhstan and Mexico were.
            if ($icu !== false && $icu !== '' && !in_array($windows, ['Central Asia Standard Time', 'Mountain Standard Time (Mexico)'], true)) {
                expect(IntlTimeZone::getCanonicalID($icu))->toBe(IntlTimeZone::getCanonicalID($iana), $windows);
                $known++;
            }
        }
        expect($known)->toBeGreaterThan(120);
    });

    it('reads a long file in flat memory', function (): void {
        $event = str_replace("\n", "\r\n", "BEGIN:VEVENT\nUID:%d@x.example\nDTSTART;TZID=Europe/Lisbon:20261208T153000\nDTEND;TZID=Europe/Lisbon:20261208T163000\nATTACH;ENCODING=BASE64:" . str_repeat("QUJD\n ", 100) . "\nDESCRIPTION:" . str_repeat('text ', 100) . "\nEND:VEVENT\n");
        $open = static function () use ($event): Generator {
            yield "BEGIN:VCALENDAR\r\n";
            for ($i = 0; $i < 3000; $i++) {
                yield sprintf($event, $i);
            }
            yield "END:VCALENDAR\r\n";
        };
        $reader = new CalendarReader($open, Tests\zones(), Work::atMost(10_000_000));
        $events = $most = 0;
        foreach ($reader->entries() as $entry) {
            $events++;
            $most = max($most, memory_get_usage());
            $least ??= memory_get_usage();
        }
        expect($events)->toBe(3000)->and($most - ($least ?? 0))->toBeLessThan(500_000);
    });

    // sabre/vobject, a reader of its own: what both can read they read the same.
    it('agrees with a reference reader', function (string $lines): void {
        $ics = eventOf($lines);
        $ours = readIcs($ics)['events'][0];
        $theirs = Reader::read($ics)->VEVENT;

        expect($ours['summary'])->toBe(isset($theirs->SUMMARY) ? (string) $theirs->SUMMARY : null)
            ->and(Tests\at((string) $ours['start']))->toBe($theirs->DTSTART->getDateTime()->getTimestamp())
            ->and($ours['attendees'] === [] ? null : $ours['attendees'][0]['name'])->toBe(isset($theirs->ATTENDEE) ? (string) $theirs->ATTENDEE['CN'] : null);
    })->with([
        [START . "\nSUMMARY:a\\, b\\; c\\nd"],
        ["UID:a\nDTSTART;TZID=W. Europe Standard Time:20260708T153000\nSUMMARY:x"],
        ["UID:a\nDTSTART;TZID=Eastern Standard Time:20260708T153000\nSUMMARY:x"],
        [START . "\nATTENDEE;CN=\"Bo, Ba; ^'x^' ^^\":mailto:a@b.example"],
        [START . "\nSUMMARY:" . str_repeat("lang\n  ", 40) . 'Ende'],
    ]);
});

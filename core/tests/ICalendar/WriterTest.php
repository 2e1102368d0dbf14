<?php

declare(strict_types=1);

use Sabre\VObject\Reader;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\ICalendar\ContentLine;
use Syndex\Core\ICalendar\TimezoneWriter;
use Syndex\Core\Invitations\Announce;
use Syndex\Core\Invitations\Invitee;
use Syndex\Core\Invitations\MeetingSnapshot;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Tests;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

/** @param array<string, mixed> $changes */
function snapshot(array $changes = []): MeetingSnapshot
{
    return new MeetingSnapshot(...[...[
        'uid' => 'u1@syndex.example', 'sequence' => 0, 'summary' => 'Grower exchange; lots, 40–58', 'description' => "Compare\nand settle", 'location' => null, 'showsLinkAsPlace' => true, 'reminderMinutes' => 15,
        'url' => 'https://meet.syndex.example/j/abc', 'organizerAddress' => 'm-1@syndex.example', 'organizerName' => 'Wanjiru "W" Achola', 'sentBy' => null,
        'series' => Tests\series('2026-12-08T15:30:00', 'Europe/Lisbon', 'FREQ=WEEKLY;INTERVAL=2;COUNT=12'), 'durationMinutes' => 45,
        'invitees' => [new Invitee('b@x.example', 'Bo, Ba', AttendeeRole::Required), new Invitee('a@x.example', null, AttendeeRole::Optional)],
    ], ...$changes]);
}

describe('ContentLine', function (): void {
    // RFC 5545 3.1: lines of at most 75 octets, never cut within a character
    it('folds at 75 octets and unfolds to the same text', function (): void {
        $line = ContentLine::text('SUMMARY', str_repeat('Größe ä 漢字 🌱 ', 30));
        foreach (explode("\r\n", rtrim($line, "\r\n")) as $physical) {
            expect(strlen($physical))->toBeLessThanOrEqual(75)->and(mb_check_encoding($physical, 'UTF-8'))->toBeTrue();
        }
        expect(str_replace("\r\n ", '', $line))->toBe('SUMMARY:' . str_repeat('Größe ä 漢字 🌱 ', 30) . "\r\n");
    });

    it('escapes text and parameters', function (string $written, string $expected): void {
        expect($written)->toBe($expected . "\r\n");
    })->with([
        'text (RFC 5545 3.3.11)' => [ContentLine::text('SUMMARY', "a,b;c\\d\ne"), 'SUMMARY:a\\,b\\;c\\\\d\\ne'],
        'a quoted parameter (RFC 5545 3.2)' => [ContentLine::of('ATTENDEE', 'mailto:a@b.example', ['CN' => 'Bo, Ba']), 'ATTENDEE;CN="Bo, Ba":mailto:a@b.example'],
        'quotes, carets and breaks (RFC 6868 3.1)' => [ContentLine::of('X', '1', ['CN' => "a \"b\" ^ c\nd"]), "X;CN=a ^'b^' ^^ c^nd:1"],
        'no control characters' => [ContentLine::of('X', "a\x00b\rc"), 'X:abc'],
    ]);
});

describe('TimezoneWriter', function (): void {
    it('is right for every moment of the window, for every zone', function (string $from, ?string $to): void {
        $start = Tests\at($from);
        $end = $to === null ? $start + 6 * 366 * 86400 : Tests\at($to);
        foreach (Tests\zones()->ids() as $id) {
            $zone = Tests\zone($id);
            $offsetAt = readTimezone(TimezoneWriter::write($zone, $start, $to === null ? null : $end), $end);
            $moments = [$start, $end - 1];
            foreach ($zone->changesBetween($start, $end) as $change) {
                array_push($moments, $change['at'] - 1, $change['at']);
            }
            foreach ($moments as $moment) {
                if ($moment >= $start && $moment < $end && $offsetAt($moment) !== $zone->offsetAt($moment)) {
                    $this->fail(sprintf('%s at %s: %d, not %d', $id, gmdate('c', $moment), $offsetAt($moment), $zone->offsetAt($moment)));
                }
            }
        }
        expect(true)->toBeTrue();
    })->with(['the coming year' => ['2026-12-08T00:00:00Z', '2027-12-08T00:00:00Z'], 'without an end' => ['2026-12-08T00:00:00Z', null], 'years gone by' => ['1975-01-01T00:00:00Z', '1990-01-01T00:00:00Z']]);

    it('says a lasting rule as a rule', function (): void {
        expect(TimezoneWriter::write(Tests\zone('Europe/Lisbon'), Tests\at('2026-12-08T00:00:00Z'), null))
            ->toContain('RRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=-1SU')->toContain('RRULE:FREQ=YEARLY;BYMONTH=10;BYDAY=-1SU')->not->toContain('UNTIL');
    });
});

/** Reads a VTIMEZONE by RFC 5545 3.6.5 with the core's own recurrence: the offset after the last onset. */
function readTimezone(string $text, int $end): Closure
{
    $onsets = [];
    $text = str_replace("\r\n ", '', $text);
    preg_match_all('/BEGIN:(?:STANDARD|DAYLIGHT)\r\n(.*?)END:(?:STANDARD|DAYLIGHT)/s', $text, $observances);
    foreach ($observances[1] as $observance) {
        preg_match('/DTSTART:(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)/', $observance, $d);
        preg_match('/RRULE:(.*)\r/', $observance, $rule);
        preg_match('/TZOFFSETFROM:([+-])(\d\d)(\d\d)(\d\d)?/', $observance, $f);
        preg_match('/TZOFFSETTO:([+-])(\d\d)(\d\d)(\d\d)?/', $observance, $t);
        $seconds = static fn(array $m): int => ($m[1] === '-' ? -1 : 1) * ((int) $m[2] * 3600 + (int) $m[3] * 60 + (int) ($m[4] ?? 0));
        [$before, $after] = [$seconds($f), $seconds($t)];
        $start = WallTime::parse("$d[1]-$d[2]-$d[3]T$d[4]:$d[5]:$d[6]");
        $walls = [$start->seconds];
        if (isset($rule[1])) {
            // UNTIL is in UTC, the onsets are in the offset before: bring both to the wall.
            $parsed = RuleParser::parse($rule[1]);
            $until = $parsed->until?->lastMoment(null);
            $series = Series::timed($start, null, $parsed->withUntil(null));
            $walls = $series->expand(Work::atMost(500_000), to: Instant::ofSeconds(min($until === null ? PHP_INT_MAX : $until + $before + 1, $end + 86400)))->starts;
        }
        foreach ($walls as $wall) {
            $onsets[$wall - $before] = $after;
        }
        $onsets[PHP_INT_MIN] ??= $before;
    }
    ksort($onsets);

    return static function (int $moment) use ($onsets): int {
        $offset = 0;
        foreach ($onsets as $at => $after) {
            if ($at > $moment) {
                break;
            }
            $offset = $after;
        }

        return $offset;
    };
}

describe('Announce', function (): void {
    it('asks each invitee once, in an order that does not change', function (): void {
        expect(Announce::recipients(snapshot()))->toBe(['a@x.example', 'b@x.example']);
    });

    it('sends nothing to the organizer', function (): void {
        expect(Announce::recipients(snapshot(['organizerAddress' => 'B@x.example'])))->toBe(['a@x.example']);
    });

    it('writes what another reader understands', function (): void {
        $ics = Announce::request(snapshot(['location' => 'Room 3', 'sentBy' => 'c@x.example']), Instant::parse('2026-11-25T10:00:00Z'), 'a@x.example');
        $event = Reader::read($ics)->VEVENT;

        expect((string) $event->SUMMARY)->toBe('Grower exchange; lots, 40–58')
            ->and((string) $event->DESCRIPTION)->toBe("Compare\nand settle")
            ->and((string) $event->LOCATION)->toBe('Room 3, https://meet.syndex.example/j/abc')
            ->and((string) $event->CONFERENCE)->toBe('https://meet.syndex.example/j/abc')
            ->and((string) $event->CONFERENCE['VALUE'])->toBe('URI')
            ->and((string) $event->ORGANIZER['CN'])->toBe('Wanjiru "W" Achola')
            ->and((string) $event->ORGANIZER['SENT-BY'])->toBe('mailto:c@x.example')
            ->and((string) $event->DTSTART['TZID'])->toBe('Europe/Lisbon')
            ->and((string) $event->DTSTART)->toBe('20261208T153000')
            ->and((string) $event->DTEND)->toBe('20261208T161500')
            ->and((string) $event->ATTENDEE[0]['CN'])->toBe('Bo, Ba')
            ->and((string) $event->ATTENDEE[1]['ROLE'])->toBe('OPT-PARTICIPANT');
    });

    it('writes the end of a series in UTC beside a zone, as a date without one (RFC 5545 3.3.10)', function (): void {
        $until = static fn(Series $series): string => Announce::request(snapshot(['series' => $series, 'durationMinutes' => 1440]), Instant::parse('2026-11-25T10:00:00Z'), 'a@x.example');

        expect($until(Tests\series('2026-12-08T15:30:00', 'Asia/Kathmandu', 'FREQ=WEEKLY;UNTIL=20270105')))->toContain('UNTIL=20270105T181459Z')
            ->and($until(Series::allDay(WallTime::parseDate('2026-12-08'), RuleParser::parse('FREQ=WEEKLY;UNTIL=20270105'))))->toContain('UNTIL=20270105' . "\r\n")->toContain('DTSTART;VALUE=DATE:20261208')->toContain('DTEND;VALUE=DATE:20261209');
    });

    it('names nobody but its reader where people are hidden from each other', function (): void {
        foreach ([Announce::request(snapshot(['hidesPeople' => true]), Instant::parse('2026-11-25T10:00:00Z'), 'B@x.example'), Announce::cancel(snapshot(['hidesPeople' => true]), 4, Instant::parse('2026-11-25T10:00:00Z'), 'B@x.example')] as $ics) {
            $event = Reader::read($ics)->VEVENT;
            expect(count($event->ATTENDEE))->toBe(1)->and((string) $event->ATTENDEE)->toBe('mailto:b@x.example')->and($ics)->not->toContain('a@x.example');
        }
    });

    it('calls off with everybody taken out (RFC 5546 3.2.5)', function (): void {
        $ics = Announce::cancel(snapshot(['sequence' => 3]), 4, Instant::parse('2026-11-25T10:00:00Z'), 'a@x.example');
        $event = Reader::read($ics)->VEVENT;

        expect((string) Reader::read($ics)->METHOD)->toBe('CANCEL')
            ->and((string) $event->SEQUENCE)->toBe('4')
            ->and((string) $event->STATUS)->toBe('CANCELLED')
            ->and(count($event->ATTENDEE))->toBe(2)
            ->and($event->CONFERENCE)->toBeNull();
    });

    it('emits no vendor property', function (): void {
        expect(Announce::request(snapshot(), Instant::parse('2026-11-25T10:00:00Z'), 'a@x.example'))->not->toMatch('/^X-/m');
    });
});

<?php

declare(strict_types=1);

use Sabre\VObject\Reader;
use Syndex\Core\Calendars\ReadTaken;
use Syndex\Core\Calendars\TakenTime;
use Syndex\Core\ICalendar\CalendarReader;
use Syndex\Core\ICalendar\NotACalendar;
use Syndex\Core\Tests;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\Interval;
use Syndex\Core\TooMuchWork;
use Syndex\Core\Work;

$calendar = static fn(string ...$components): string => "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//EN\r\n" . implode('', array_map(static fn(string $c): string => str_replace("\n", "\r\n", trim($c)) . "\r\n", $components)) . "END:VCALENDAR\r\n";
$event = static fn(string $lines, string $uid = 'a'): string => "BEGIN:VEVENT\nUID:$uid\nDTSTAMP:20260101T000000Z\n$lines\nEND:VEVENT";
$read = static fn(string $octets, string $zone = 'Africa/Nairobi', ?Work $work = null): array => ReadTaken::from(
    CalendarReader::ofText($octets, Tests\zones(), $w = $work ?? Work::usual()),
    Tests\zone($zone),
    Interval::between(Tests\at('2026-12-01T00:00:00Z'), Tests\at('2026-12-31T00:00:00Z')),
    $w,
    ['Corin.Hale@garden.example'],
);
$said = static fn(array $taken): array => array_map(static fn(TakenTime $t): string => Instant::ofSeconds($t->interval->start)->format() . ' ' . intdiv($t->interval->seconds(), 60) . " $t->kind", $taken);

it('tells which time an event takes', function (string $lines, array $expected) use ($calendar, $event, $read, $said): void {
    expect($said($read($calendar($event($lines)))))->toBe($expected);
})->with([
    'in UTC' => ["DTSTART:20261208T120000Z\nDTEND:20261208T124500Z", ['2026-12-08T12:00:00Z 45 busy']],
    'in a zone' => ["DTSTART;TZID=Europe/Lisbon:20261208T120000\nDURATION:PT1H", ['2026-12-08T12:00:00Z 60 busy']],
    'floating, on the own clock' => ["DTSTART:20261208T120000\nDTEND:20261208T130000", ['2026-12-08T09:00:00Z 60 busy']],
    'a day, on the own clock' => ['DTSTART;VALUE=DATE:20261208', ['2026-12-07T21:00:00Z 1440 busy']],
    'days' => ["DTSTART;VALUE=DATE:20261208\nDTEND;VALUE=DATE:20261211", ['2026-12-07T21:00:00Z 4320 busy']],
    'a day that takes none' => ["DTSTART;VALUE=DATE:20261208\nTRANSP:TRANSPARENT", []],
    'tentative' => ["DTSTART:20261208T120000Z\nDTEND:20261208T124500Z\nSTATUS:TENTATIVE", ['2026-12-08T12:00:00Z 45 tentative']],
    'called off' => ["DTSTART:20261208T120000Z\nDTEND:20261208T124500Z\nSTATUS:CANCELLED", []],
    'declined by them' => ["DTSTART:20261208T120000Z\nDTEND:20261208T124500Z\nATTENDEE;PARTSTAT=DECLINED:mailto:corin.hale@GARDEN.example", []],
    'not answered by them' => ["DTSTART:20261208T120000Z\nDTEND:20261208T124500Z\nATTENDEE;PARTSTAT=NEEDS-ACTION:mailto:corin.hale@garden.example", ['2026-12-08T12:00:00Z 45 tentative']],
    'declined by somebody else' => ["DTSTART:20261208T120000Z\nDTEND:20261208T124500Z\nATTENDEE;PARTSTAT=DECLINED:mailto:x@garden.example", ['2026-12-08T12:00:00Z 45 busy']],
    'a moment' => ['DTSTART:20261208T120000Z', []],
    'an end before the start' => ["DTSTART:20261208T120000Z\nDTEND:20261208T110000Z", []],
    'from before the window' => ["DTSTART:20261130T230000Z\nDTEND:20261201T010000Z", ['2026-11-30T23:00:00Z 120 busy']],
    'after it' => ["DTSTART:20261231T000000Z\nDTEND:20261231T010000Z", []],
    'a series' => ["DTSTART;TZID=Europe/Lisbon:20200106T090000\nDTEND;TZID=Europe/Lisbon:20200106T093000\nRRULE:FREQ=WEEKLY;UNTIL=20261220T000000Z\nEXDATE;TZID=Europe/Lisbon:20261214T090000", ['2026-12-07T09:00:00Z 30 busy']],
    'a series of days' => ["DTSTART;VALUE=DATE:20261201\nRRULE:FREQ=WEEKLY;COUNT=2", ['2026-11-30T21:00:00Z 1440 busy', '2026-12-07T21:00:00Z 1440 busy']],
    'added dates' => ["DTSTART:20261208T120000Z\nDTEND:20261208T124500Z\nRDATE:20261210T120000Z", ['2026-12-08T12:00:00Z 45 busy', '2026-12-10T12:00:00Z 45 busy']],
    'a rule that is none' => ["DTSTART:20261208T120000Z\nDTEND:20261208T124500Z\nRRULE:FREQ=SOMETIMES", ['2026-12-08T12:00:00Z 45 busy']],
]);

it('follows changed dates of a series', function (string $changed, array $expected) use ($calendar, $event, $read, $said): void {
    $series = $event("DTSTART:20261201T120000Z\nDTEND:20261201T124500Z\nRRULE:FREQ=WEEKLY;COUNT=4");
    // In whichever order they stand.
    foreach ([[$series, $event($changed)], [$event($changed), $series]] as $components) {
        expect($said($read($calendar(...$components))))->toBe($expected);
    }
})->with([
    'moved' => ["RECURRENCE-ID:20261208T120000Z\nDTSTART:20261209T150000Z\nDTEND:20261209T151500Z", ['2026-12-01T12:00:00Z 45 busy', '2026-12-09T15:00:00Z 15 busy', '2026-12-15T12:00:00Z 45 busy', '2026-12-22T12:00:00Z 45 busy']],
    'called off' => ["RECURRENCE-ID:20261208T120000Z\nDTSTART:20261208T120000Z\nSTATUS:CANCELLED", ['2026-12-01T12:00:00Z 45 busy', '2026-12-15T12:00:00Z 45 busy', '2026-12-22T12:00:00Z 45 busy']],
    'free after all' => ["RECURRENCE-ID:20261208T120000Z\nDTSTART:20261208T120000Z\nDTEND:20261208T124500Z\nTRANSP:TRANSPARENT", ['2026-12-01T12:00:00Z 45 busy', '2026-12-15T12:00:00Z 45 busy', '2026-12-22T12:00:00Z 45 busy']],
    'from there on' => ["RECURRENCE-ID;RANGE=THISANDFUTURE:20261215T120000Z\nDTSTART:20261215T130000Z\nDTEND:20261215T134500Z", ['2026-12-01T12:00:00Z 45 busy', '2026-12-08T12:00:00Z 45 busy', '2026-12-15T13:00:00Z 45 busy', '2026-12-22T13:00:00Z 45 busy']],
]);

// RFC 5545 3.8.2.6 and 3.2.9: FBTYPE, an unknown one being BUSY; periods with an end or a length.
it('reads bare busy times', function () use ($calendar, $read, $said): void {
    $taken = $read($calendar("BEGIN:VFREEBUSY\nUID:f\nDTSTAMP:20260101T000000Z\nFREEBUSY:20261208T120000Z/PT1H,20261208T150000Z/20261208T160000Z\nFREEBUSY;FBTYPE=BUSY-TENTATIVE:20261209T120000Z/PT30M\nFREEBUSY;FBTYPE=BUSY-UNAVAILABLE:20261210T000000Z/P1D\nFREEBUSY;FBTYPE=FREE:20261211T120000Z/PT1H\nFREEBUSY;FBTYPE=X-ODD:20261212T120000Z/PT1H\nFREEBUSY:rubbish,20261213T120000Z/PT1H,20261214T120000Z/20261214T110000Z\nEND:VFREEBUSY"));
    expect($said($taken))->toBe([
        '2026-12-08T12:00:00Z 60 busy', '2026-12-08T15:00:00Z 60 busy', '2026-12-09T12:00:00Z 30 tentative', '2026-12-10T00:00:00Z 1440 away', '2026-12-12T12:00:00Z 60 busy', '2026-12-13T12:00:00Z 60 busy',
    ])->and($taken[0]->uid)->toBeNull();
});

it('keeps to itself what is private', function (string $class, ?string $title) use ($calendar, $event, $read): void {
    expect($read($calendar($event("DTSTART:20261208T120000Z\nDTEND:20261208T124500Z\nSUMMARY:Dentist\n$class")))[0]->title)->toBe($title);
})->with([['CLASS:PUBLIC', 'Dentist'], ['', 'Dentist'], ['CLASS:PRIVATE', null], ['CLASS:CONFIDENTIAL', null]]);

it('says so where it is no calendar, and stops at one that asks too much', function () use ($calendar, $event, $read): void {
    expect(fn() => $read('hello'))->toThrow(NotACalendar::class)
        ->and(fn() => $read($calendar($event("DTSTART:19000101T000000Z\nDTEND:19000101T000100Z\nRRULE:FREQ=SECONDLY")), work: Work::atMost(1_000)))->toThrow(TooMuchWork::class);
});

// sabre/vobject lays out free and busy times of its own (RFC 5545 3.6.4): the same stretches come of it.
it('agrees with another reader on a month of series', function (string $zone) use ($calendar, $event, $read): void {
    mt_srand(3);
    $events = [];
    for ($i = 0; $i < 60; $i++) {
        $start = sprintf('2026%02d%02dT%02d%02d00', mt_rand(9, 12), mt_rand(1, 28), mt_rand(6, 20), 15 * mt_rand(0, 3));
        $rule = ['', "\nRRULE:FREQ=WEEKLY", "\nRRULE:FREQ=DAILY;INTERVAL=3;COUNT=40", "\nRRULE:FREQ=MONTHLY;BYDAY=2TU", "\nRRULE:FREQ=WEEKLY;BYDAY=MO,WE,FR;UNTIL=20261224T120000Z"][mt_rand(0, 4)];
        $of = ['', ";TZID=Europe/Lisbon", ";TZID=America/Lima"][mt_rand(0, 2)];
        $events[] = $event("DTSTART$of:$start\nDURATION:PT" . 15 * mt_rand(1, 8) . "M$rule" . ['', "\nTRANSP:TRANSPARENT", "\nSTATUS:CANCELLED"][max(0, mt_rand(-4, 2))], "u$i");
    }
    $octets = $calendar(...$events);
    $window = ['2026-12-01T00:00:00Z', '2026-12-31T00:00:00Z'];
    $generator = new Sabre\VObject\FreeBusyGenerator(new DateTimeImmutable($window[0]), new DateTimeImmutable($window[1]), Reader::read($octets), new DateTimeZone($zone));
    $theirs = [];
    foreach ($generator->getResult()->VFREEBUSY->FREEBUSY as $line) {
        foreach ($line->getParts() as $period) {
            [$from, $to] = explode('/', $period);
            $theirs[] = Interval::between((new DateTimeImmutable($from))->getTimestamp(), (new DateTimeImmutable($to))->getTimestamp());
        }
    }
    $whole = Interval::between(Tests\at($window[0]), Tests\at($window[1]));
    $set = static fn(array $intervals): array => array_map(static fn(Interval $i): array => [$i->start, $i->end], Syndex\Core\Time\IntervalSet::of($intervals)->clippedTo($whole)->intervals);

    expect($set(array_map(static fn(TakenTime $t): Interval => $t->interval, $read($octets, $zone))))->toBe($set($theirs))->and(count($theirs))->toBeGreaterThan(50);
})->with(['Africa/Nairobi', 'Pacific/Auckland']);

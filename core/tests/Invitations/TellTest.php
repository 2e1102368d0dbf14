<?php

declare(strict_types=1);

use Syndex\Core\Headless\Protocol;
use Syndex\Core\Tests;

/*
 * The steps of a meeting and what is sent of them. Cases with a clause are the examples of RFC 5546, their addresses and times; its
 * own messages are optional in places (METHOD:ADD, RANGE): what a calendar shows afterwards is the same. The others are ours.
 */

const PHONE = [
    'uid' => 'calsrv.example.com-873970198738777@example.com', 'sequence' => 0, 'status' => 'planned', 'summary' => 'Phone Conference', 'description' => null, 'location' => null, 'url' => null,
    'organizer' => ['email' => 'a@example.com', 'name' => null], 'sent_by' => null, 'dtstart' => '1997-07-01T20:00:00', 'tzid' => 'UTC', 'duration' => 30, 'overrides' => [],
];

const IETF = [
    ...PHONE, 'uid' => 'guid-1@example.com', 'summary' => 'IETF Calendaring Working Group Meeting', 'location' => 'Conference Call',
    'dtstart' => '1997-06-01T21:00:00', 'rrule' => 'FREQ=MONTHLY;BYMONTHDAY=1;UNTIL=19980901T210000Z', 'duration' => 60,
];

/**
 * @param  array<string, mixed>  $meeting
 * @param  array<string, mixed>  $changes
 * @return array<string, mixed>
 */
function withPeople(array $meeting, string $letters, array $changes = []): array
{
    return [...$meeting, 'attendees' => attending($letters), ...$changes];
}

/** @return list<array<string, mixed>> one for each letter; a capital is optional */
function attending(string $letters): array
{
    return array_map(static fn(string $l): array => ['email' => strtolower($l) . '@example.com', 'name' => null, 'role' => ctype_upper($l) ? 'optional' : 'required', 'kind' => 'guest'], $letters === '' ? [] : str_split($letters));
}

/**
 * @param  ?array<string, mixed>  $before
 * @param  ?array<string, mixed>  $after
 * @return array<string, mixed> the answer of the verb
 */
function itip(?array $before, ?array $after, bool $tellAll = false, string $now = '1997-06-26T09:30:00Z'): array
{
    $line = json_encode(['id' => 1, 'now' => $now, 'before' => $before, 'after' => $after, 'tell_all' => $tellAll], JSON_THROW_ON_ERROR);

    return json_decode((string) Protocol::forVerb('itip', Tests\zones())?->answer($line), true, flags: JSON_THROW_ON_ERROR);
}

/**
 * @param  array<string, mixed>  $answer
 * @return list<string> "b REQUEST 1 1997-07-01T21:00:00 date_moved"
 */
function told(array $answer): array
{
    return array_map(static fn(array $m): string => implode(' ', [strstr($m['to'], '@', true), $m['method'], $m['sequence'], $m['recurrence_id'] ?? 'all', implode(',', $m['changes'])]), $answer['messages'] ?? [$answer]);
}

/** @return list<string> the lines of a property of the events, unfolded */
function lines(string $ics, string $name): array
{
    $text = str_replace("\r\n ", '', $ics);
    preg_match_all("/^{$name}[;:].*$/m", (string) strstr($text, 'BEGIN:VEVENT'), $found);

    return array_map(trim(...), $found[0]);
}

it('tells exactly whom a step concerns, in as few messages as will do', function (?array $before, ?array $after, array $expected, array $untouched = []): void {
    $answer = itip($before, $after);

    expect(told($answer))->toBe($expected)->and(array_map(static fn(string $a): string => strstr($a, '@', true), $answer['untouched']))->toBe($untouched);
})->with([
    'RFC 5546 4.2.2: a request' => [null, withPeople(PHONE, 'abcd'), ['b REQUEST 0 all new', 'c REQUEST 0 all new', 'd REQUEST 0 all new'], ['a']],
    'RFC 5546 4.2.9: cancelled' => [withPeople(PHONE, 'abcd'), withPeople(PHONE, 'abcd', ['status' => 'called_off']), ['b CANCEL 1 all called_off', 'c CANCEL 1 all called_off', 'd CANCEL 1 all called_off'], ['a']],
    'withdrawn' => [withPeople(PHONE, 'ab'), null, ['b CANCEL 1 all called_off'], ['a']],
    'RFC 5546 4.2.10: B is taken out, the others hear nothing' => [withPeople(PHONE, 'abcd'), withPeople(PHONE, 'acd'), ['b CANCEL 1 all people'], ['a', 'c', 'd']],
    'RFC 5546 4.2.11: B is the organizer now, A is out' => [
        withPeople(PHONE, 'abcd', ['rrule' => 'FREQ=WEEKLY']), withPeople(PHONE, 'bcd', ['rrule' => 'FREQ=WEEKLY', 'organizer' => ['email' => 'b@example.com', 'name' => null]]),
        ['a CANCEL 1 all people', 'c REQUEST 1 all organizer', 'd REQUEST 1 all organizer'], ['b'],
    ],
    'RFC 5546 4.4.2: one date moved' => [
        withPeople(IETF, 'abcd'), withPeople(IETF, 'abcd', ['overrides' => [['recurrence_id' => '1997-07-01T21:00:00', 'dtstart' => '1997-07-03T21:00:00']]]),
        ['b REQUEST 1 1997-07-01T21:00:00 date_moved', 'c REQUEST 1 1997-07-01T21:00:00 date_moved', 'd REQUEST 1 1997-07-01T21:00:00 date_moved'], ['a'],
    ],
    'RFC 5546 4.4.3: one date off' => [withPeople(IETF, 'ab'), withPeople(IETF, 'ab', ['exdate' => ['1997-08-01T21:00:00']]), ['b CANCEL 1 1997-08-01T21:00:00 date_dropped'], ['a']],
    'RFC 5546 4.4.4: all of it off, with an exception' => [
        withPeople(IETF, 'ab', ['sequence' => 2, 'overrides' => [['recurrence_id' => '1997-07-01T21:00:00', 'duration' => 90]]]), withPeople(IETF, 'ab', ['sequence' => 2, 'status' => 'called_off']),
        ['b CANCEL 3 all called_off'], ['a'],
    ],
    'RFC 5546 4.4.6: one date more' => [withPeople(IETF, 'ab'), withPeople(IETF, 'ab', ['rdate' => ['1997-07-15T21:00:00']]), ['b REQUEST 1 all date_added'], ['a']],
    'RFC 5546 4.4.7: on Thursdays too' => [
        withPeople(PHONE, 'ab', ['dtstart' => '1998-03-03T21:00:00', 'rrule' => 'WKST=SU;BYDAY=TU;FREQ=WEEKLY']), withPeople(PHONE, 'ab', ['dtstart' => '1998-03-03T21:00:00', 'rrule' => 'WKST=SU;BYDAY=TU,TH;FREQ=WEEKLY']),
        ['b REQUEST 1 all repeats'], ['a'],
    ],
    'two dates off: the whole set' => [withPeople(IETF, 'ab'), withPeople(IETF, 'ab', ['exdate' => ['1997-08-01T21:00:00', '1997-09-01T21:00:00']]), ['b REQUEST 1 all date_dropped'], ['a']],
    'a date put back' => [withPeople(IETF, 'b', ['exdate' => ['1997-08-01T21:00:00']]), withPeople(IETF, 'b'), ['b REQUEST 1 all date_added']],
    'a rule in other words' => [withPeople(PHONE, 'b', ['rrule' => 'FREQ=WEEKLY;COUNT=5']), withPeople(PHONE, 'b', ['rrule' => 'FREQ=DAILY;INTERVAL=7;COUNT=5']), [], ['b']],
    'half an hour later' => [withPeople(IETF, 'bC'), withPeople(IETF, 'bC', ['dtstart' => '1997-06-01T21:30:00', 'rrule' => 'FREQ=MONTHLY;BYMONTHDAY=1;UNTIL=19980901T213000Z']), ['b REQUEST 1 all time', 'c REQUEST 1 all time']],
    'another zone' => [withPeople(PHONE, 'b'), withPeople(PHONE, 'b', ['tzid' => 'Europe/Lisbon']), ['b REQUEST 1 all time']],
    'title and text raise nothing' => [withPeople(PHONE, 'b'), withPeople(PHONE, 'b', ['summary' => 'Call', 'description' => 'At last']), ['b REQUEST 0 all title,text']],
    'a role goes to its bearer' => [withPeople(PHONE, 'bc'), withPeople(PHONE, 'bC'), ['c REQUEST 0 all role'], ['b']],
    'place and link' => [withPeople(PHONE, 'b'), withPeople(PHONE, 'b', ['location' => 'Room 3', 'url' => 'https://x.example/j']), ['b REQUEST 1 all place,join']],
    'who is added hears all of it' => [withPeople(PHONE, 'b'), withPeople(PHONE, 'bc'), ['c REQUEST 0 all new'], ['b']],
    'of one date only' => [withPeople(IETF, 'b'), withPeople(IETF, 'b', ['overrides' => [['recurrence_id' => '1997-07-01T21:00:00', 'attendees' => attending('bc')]]]), ['c REQUEST 0 1997-07-01T21:00:00 new'], ['b']],
    'off one date' => [withPeople(IETF, 'bc'), withPeople(IETF, 'bc', ['overrides' => [['recurrence_id' => '1997-07-01T21:00:00', 'attendees' => attending('b')]]]), ['c CANCEL 1 1997-07-01T21:00:00 date_dropped'], ['b']],
    'out of the series, on one date still' => [
        withPeople(IETF, 'bc'), withPeople(IETF, 'b', ['overrides' => [['recurrence_id' => '1997-07-01T21:00:00', 'attendees' => attending('bc')]]]),
        ['c CANCEL 1 all people', 'c REQUEST 1 1997-07-01T21:00:00 new'], ['b'],
    ],
    'into the series from one date' => [withPeople(IETF, 'b', ['overrides' => [['recurrence_id' => '1997-07-01T21:00:00', 'attendees' => attending('bc')]]]), withPeople(IETF, 'bc'), ['c REQUEST 0 all new'], ['b']],
    'a single date moves with the series' => [
        withPeople(IETF, 'b', ['overrides' => [['recurrence_id' => '1997-07-01T21:00:00', 'attendees' => attending('c')]]]),
        withPeople(IETF, 'b', ['dtstart' => '1997-06-01T22:00:00', 'rrule' => 'FREQ=MONTHLY;BYMONTHDAY=1;UNTIL=19980901T220000Z', 'overrides' => [['recurrence_id' => '1997-07-01T22:00:00', 'attendees' => attending('c')]]]),
        ['b REQUEST 1 all time', 'c CANCEL 1 1997-07-01T21:00:00 time', 'c REQUEST 1 1997-07-01T22:00:00 time'],
    ],
    'a title that no date of theirs shows' => [
        withPeople(PHONE, 'b', ['rrule' => 'FREQ=WEEKLY;COUNT=2', 'overrides' => [['recurrence_id' => '1997-07-01T20:00:00', 'summary' => 'First'], ['recurrence_id' => '1997-07-08T20:00:00', 'summary' => 'Second']]]),
        withPeople(PHONE, 'b', ['summary' => 'Other', 'rrule' => 'FREQ=WEEKLY;COUNT=2', 'overrides' => [['recurrence_id' => '1997-07-01T20:00:00', 'summary' => 'First'], ['recurrence_id' => '1997-07-08T20:00:00', 'summary' => 'Second']]]),
        [], ['b'],
    ],
    'a title that one of their dates shows' => [
        withPeople(PHONE, 'b', ['rrule' => 'FREQ=WEEKLY;COUNT=2', 'overrides' => [['recurrence_id' => '1997-07-01T20:00:00', 'duration' => 60], ['recurrence_id' => '1997-07-08T20:00:00', 'summary' => 'Second']]]),
        withPeople(PHONE, 'b', ['summary' => 'Other', 'rrule' => 'FREQ=WEEKLY;COUNT=2', 'overrides' => [['recurrence_id' => '1997-07-01T20:00:00', 'duration' => 60], ['recurrence_id' => '1997-07-08T20:00:00', 'summary' => 'Second']]]),
        ['b REQUEST 0 1997-07-01T20:00:00 title'],
    ],
    'series to single' => [withPeople(IETF, 'b'), withPeople(IETF, 'b', ['rrule' => null]), ['b REQUEST 1 all repeats']],
    'single to series' => [withPeople(PHONE, 'b'), withPeople(PHONE, 'b', ['rrule' => 'FREQ=WEEKLY;COUNT=2']), ['b REQUEST 1 all repeats']],
    'an address replaced' => [withPeople(PHONE, 'bc'), withPeople(PHONE, 'bd'), ['c CANCEL 1 all people', 'd REQUEST 1 all new'], ['b']],
    'called off and edited' => [withPeople(PHONE, 'b', ['status' => 'called_off']), withPeople(PHONE, 'bc', ['status' => 'called_off', 'summary' => 'x']), [], ['b', 'c']],
    'planned again' => [withPeople(PHONE, 'b', ['status' => 'called_off', 'sequence' => 4]), withPeople(PHONE, 'b', ['sequence' => 4]), ['b REQUEST 5 all new']],
    'all day, a day later' => [
        withPeople(PHONE, 'b', ['dtstart' => '2026-12-08', 'tzid' => null, 'duration' => 1440, 'rrule' => 'FREQ=WEEKLY;COUNT=3']),
        withPeople(PHONE, 'b', ['dtstart' => '2026-12-08', 'tzid' => null, 'duration' => 1440, 'rrule' => 'FREQ=WEEKLY;COUNT=3', 'overrides' => [['recurrence_id' => '2026-12-15', 'dtstart' => '2026-12-16']]]),
        ['b REQUEST 1 2026-12-15 date_moved'],
    ],
    'nobody is asked' => [withPeople(PHONE, ''), withPeople(PHONE, '', ['location' => 'Room 3']), []],
    'nothing differs' => [withPeople(PHONE, 'bc'), withPeople(PHONE, 'cb'), [], ['b', 'c']],
    'a series without end whose one date moves' => [
        withPeople(PHONE, 'b', ['rrule' => 'FREQ=DAILY']), withPeople(PHONE, 'b', ['rrule' => 'FREQ=DAILY', 'overrides' => [['recurrence_id' => '1999-07-01T20:00:00', 'dtstart' => '1999-07-01T21:00:00']]]),
        ['b REQUEST 1 1999-07-01T20:00:00 date_moved'],
    ],
    'every date off' => [withPeople(PHONE, 'b', ['rrule' => 'FREQ=WEEKLY;COUNT=2']), withPeople(PHONE, 'b', ['rrule' => 'FREQ=WEEKLY;COUNT=2', 'exdate' => ['1997-07-01T20:00:00', '1997-07-08T20:00:00']]), ['b CANCEL 1 all date_dropped']],
]);

it('tells the others of people too, when that is asked for', function (): void {
    expect(told(itip(withPeople(PHONE, 'bc'), withPeople(PHONE, 'bd'), tellAll: true)))->toBe(['b REQUEST 1 all people', 'c CANCEL 1 all people', 'd REQUEST 1 all new'])
        ->and(told(itip(withPeople(IETF, 'bc'), withPeople(IETF, 'bc', ['overrides' => [['recurrence_id' => '1997-07-01T21:00:00', 'attendees' => attending('bcd')]]]), tellAll: true)))
        ->toBe(['b REQUEST 0 1997-07-01T21:00:00 people', 'c REQUEST 0 1997-07-01T21:00:00 people', 'd REQUEST 0 1997-07-01T21:00:00 new']);
});

it('writes what the clauses ask for', function (?array $before, ?array $after, array $expected): void {
    $ics = itip($before, $after)['messages'][0]['ics'];
    foreach ($expected as $name => $lines) {
        expect(lines($ics, $name))->toBe($lines, $name);
    }
})->with([
    // 3.2.5: "the meeting itself is cancelled": STATUS, and everybody
    'called off' => [withPeople(PHONE, 'bC'), null, ['STATUS' => ['STATUS:CANCELLED'], 'ATTENDEE' => ['ATTENDEE;ROLE=REQ-PARTICIPANT;PARTSTAT=NEEDS-ACTION:mailto:b@example.com', 'ATTENDEE;ROLE=OPT-PARTICIPANT;PARTSTAT=NEEDS-ACTION:mailto:c@example.com'], 'DTSTAMP' => ['DTSTAMP:19970626T093000Z']]],
    // 4.2.10: "the STATUS property is omitted", and those taken out
    'taken out' => [withPeople(PHONE, 'bcd'), withPeople(PHONE, 'd'), ['STATUS' => [], 'ATTENDEE' => ['ATTENDEE;ROLE=REQ-PARTICIPANT;PARTSTAT=NEEDS-ACTION:mailto:b@example.com', 'ATTENDEE;ROLE=REQ-PARTICIPANT;PARTSTAT=NEEDS-ACTION:mailto:c@example.com']]],
    // 4.4.3
    'one date off' => [withPeople(IETF, 'b'), withPeople(IETF, 'b', ['exdate' => ['1997-08-01T21:00:00']]), ['RECURRENCE-ID' => ['RECURRENCE-ID:19970801T210000Z'], 'STATUS' => ['STATUS:CANCELLED'], 'RRULE' => [], 'DTSTART' => ['DTSTART:19970801T210000Z']]],
    // 4.4.2
    'one date moved' => [withPeople(IETF, 'b'), withPeople(IETF, 'b', ['overrides' => [['recurrence_id' => '1997-07-01T21:00:00', 'dtstart' => '1997-07-03T21:00:00']]]), ['RECURRENCE-ID' => ['RECURRENCE-ID:19970701T210000Z'], 'DTSTART' => ['DTSTART:19970703T210000Z'], 'DTEND' => ['DTEND:19970703T220000Z'], 'RRULE' => []]],
    // 3.2.2: the whole set with its exceptions
    'the whole set' => [
        null, withPeople(PHONE, 'b', ['tzid' => 'Africa/Nairobi', 'rrule' => 'FREQ=WEEKLY;UNTIL=19970801', 'rdate' => ['1997-09-02T20:00:00'], 'exdate' => ['1997-07-08T20:00:00'], 'overrides' => [['recurrence_id' => '1997-07-15T20:00:00', 'location' => 'Hall'], ['recurrence_id' => '1997-07-22T20:00:00', 'attendees' => []]]]),
        [
            'RRULE' => ['RRULE:FREQ=WEEKLY;UNTIL=19970801T205959Z'], 'RDATE' => ['RDATE;TZID=Africa/Nairobi:19970902T200000'],
            'EXDATE' => ['EXDATE;TZID=Africa/Nairobi:19970708T200000', 'EXDATE;TZID=Africa/Nairobi:19970722T200000'],
            'RECURRENCE-ID' => ['RECURRENCE-ID;TZID=Africa/Nairobi:19970715T200000'], 'LOCATION' => ['LOCATION:Hall'],
        ],
    ],
    'what may stand and goes as it is' => [
        null, withPeople(PHONE, 'b', ['url' => 'https://x.example/a?b=1,2;c', 'comment' => 'Bring seeds, please', 'alarm' => 10, 'class' => 'private', 'categories' => ['Seed, dry', 'Call'], 'transp' => 'transparent', 'related_to' => 'u0@x.example', 'sent_by' => 'aide@example.com']),
        [
            'URL' => ['URL:https://x.example/a?b=1,2;c'], 'COMMENT' => ['COMMENT:Bring seeds\\, please'], 'CLASS' => ['CLASS:PRIVATE'], 'CATEGORIES' => ['CATEGORIES:Seed\\, dry,Call'], 'TRANSP' => ['TRANSP:TRANSPARENT'],
            'RELATED-TO' => ['RELATED-TO;RELTYPE=SIBLING:u0@x.example'], 'TRIGGER' => ['TRIGGER:-PT10M'], 'ORGANIZER' => ['ORGANIZER;SENT-BY="mailto:aide@example.com":mailto:a@example.com'],
        ],
    ],
]);

it('refuses what is no meeting, by name', function (array $changes, string $code, string $said): void {
    expect(itip(null, withPeople(PHONE, 'b', $changes))['error'])->toMatchArray(['code' => $code])->and(itip(null, withPeople(PHONE, 'b', $changes))['error']['message'])->toContain($said);
})->with([
    'floating' => [['tzid' => null], 'floating', 'zone'],
    'no uid' => [['uid' => ' '], 'bad_value', '"uid"'],
    'half a day' => [['dtstart' => '1997-07-01', 'tzid' => null, 'duration' => 720], 'bad_value', '"duration"'],
    'no length' => [['duration' => 0], 'bad_value', '"duration"'],
    'somebody twice' => [['attendees' => attending('bB')], 'bad_value', '"email"'],
    'an unknown role' => [['attendees' => [['email' => 'b@example.com', 'role' => 'none', 'kind' => 'guest', 'name' => null]]], 'bad_value', '"role"'],
    'a date that is none' => [['rrule' => 'FREQ=WEEKLY;COUNT=2', 'overrides' => [['recurrence_id' => '1997-07-02T20:00:00']]], 'bad_value', '"recurrence_id"'],
    'a date twice' => [['rrule' => 'FREQ=WEEKLY;COUNT=2', 'overrides' => [['recurrence_id' => '1997-07-01T20:00:00'], ['recurrence_id' => '1997-07-01T20:00:00']]], 'bad_value', '"recurrence_id"'],
    'an unknown key' => [['overrides' => [['recurrence_id' => '1997-07-01T20:00:00', 'description' => 'x']]], 'unknown_key', 'description'],
    'no organizer' => [['organizer' => null], 'bad_value', '"organizer"'],
    'too many for one line' => [['attendees' => array_map(static fn(int $i): array => ['email' => "p$i@example.com", 'name' => str_repeat('n', 60), 'role' => 'required', 'kind' => 'guest'], range(1, 3000))], 'too_much_work', 'steps'],
]);

it('wants one meeting before and after', function (): void {
    expect(itip(withPeople(PHONE, 'b'), withPeople(IETF, 'b'))['error']['code'])->toBe('bad_value');
});

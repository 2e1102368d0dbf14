<?php

declare(strict_types=1);

use Syndex\Core\Headless\Protocol;
use Syndex\Core\Tests;

/** @return array<string, string> the calendar objects of the examples of RFC 6047 4 as printed, with their slips, by clause; the second of one clause with a letter */
function mailExamples(): array
{
    $examples = [];
    foreach (file(__DIR__ . '/rfc6047-examples.jsonl') ?: [] as $line) {
        $example = json_decode($line, true, flags: JSON_THROW_ON_ERROR);
        $examples[isset($examples[$example['clause']]) ? $example['clause'] . 'b' : $example['clause']] = $example['ics'];
    }

    return $examples;
}

/** @return array<string, mixed> */
function verb(string $verb, array $asked): array
{
    return json_decode((string) Protocol::forVerb($verb, Tests\zones())?->answer(json_encode(['id' => 1, ...$asked], JSON_THROW_ON_ERROR)), true, flags: JSON_THROW_ON_ERROR);
}

/** @return list<string> "man calsvr…777 1997-07-01T21:00:00Z/23:00 sman,stevesil" */
function shortly(array $read): array
{
    $name = static fn(?string $address): string => (string) strstr($address . '@', '@', true);

    return array_map(static fn(array $e): string => implode(' ', [
        $e['start'] . '/' . substr((string) $e['end'], 11, 5), $e['summary'], $name($e['organizer']['email'] ?? null), implode(',', array_map(static fn(array $a): string => $name($a['email']) . ($a['role'] === 'chair' ? '*' : ''), $e['attendees'])),
    ]), $read['events']);
}

it('reads the examples of RFC 6047 4, with the slips they are printed with', function (string $clause, ?string $method, array $events, array $warned = []): void {
    $read = verb('read', ['ics' => mailExamples()[$clause]]);

    expect($read['method'])->toBe($method)->and(shortly($read))->toBe($events)->and(array_column($read['warnings'], 'code'))->toBe($warned);
})->with([
    '4.1' => ['4.1', 'REQUEST', ['1997-07-01T21:00:00Z/23:00 Phone Conference man man*,stevesil'], []],
    '4.2' => ['4.2', 'REQUEST', ['1997-07-01T17:00:00Z/17:30 Phone Conference foo1 foo1*,foo2'], []],
    '4.3' => ['4.3', 'REQUEST', ['1997-07-01T18:00:00Z/18:30 Phone Conference foo1 foo1*,foo2'], []],
    '4.4: several of one kind' => ['4.4', 'PUBLISH', ['1997-07-01T15:00:00Z/23:00 Company Picnic foo1 ', '1997-07-15T15:00:00Z/23:00 Company Bowling Tournament foo1 '], []],
    '4.5' => ['4.5', 'REQUEST', ['1997-07-01T21:00:00Z/23:00 Phone Conference foo1 foo1*,foo2'], []],
    '4.5: a task is none of ours, and ends as an event' => ['4.5b', 'REQUEST', [], ['broken_line', 'unclosed']],
    '4.6: DTEND has a digit too many, two addresses lack mailto:' => ['4.6', 'REQUEST', ["1997-06-21T17:00:00Z/ Let's discuss the attached document foo1 foo1*,foo2,foo3"], ['bad_value']],
]);

/** What the examples say of a meeting, our message of the same meeting says in the same words. */
it('asks to the meetings of the examples in the same words', function (string $clause): void {
    $theirs = mailExamples()[$clause];
    $event = verb('read', ['ics' => $theirs])['events'][0];
    $now = (string) $event['dtstamp'];
    $people = array_map(static fn(array $a): array => ['email' => $a['email'], 'name' => null, 'role' => $a['role'], 'kind' => 'guest'], $event['attendees']);
    $minutes = intdiv((int) strtotime((string) $event['end']) - (int) strtotime((string) $event['start']), 60);
    $told = verb('itip', ['now' => $now, 'before' => null, 'after' => [
        'uid' => $event['uid'], 'sequence' => 0, 'status' => 'planned', 'summary' => $event['summary'], 'description' => $event['description'], 'location' => null, 'url' => null,
        'organizer' => ['email' => $event['organizer']['email'], 'name' => null], 'sent_by' => null, 'dtstart' => substr((string) $event['start'], 0, 19), 'tzid' => 'UTC', 'duration' => $minutes, 'overrides' => [], 'attendees' => $people,
    ]]);
    $ours = $told['messages'][array_key_last($told['messages'])]['ics'];
    $said = static function (string $ics, string $name): array {
        preg_match_all("/^$name(?:;[^:\r\n]*)?:(.*)$/m", str_replace("\r\n ", '', (string) strstr($ics, 'BEGIN:VEVENT')), $found);

        return array_map(trim(...), $found[1]);
    };
    foreach (['UID', 'DTSTAMP', 'DTSTART', 'DTEND', 'SUMMARY', 'DESCRIPTION', 'ORGANIZER', 'ATTENDEE', 'STATUS'] as $name) {
        expect($said($ours, $name))->toBe($said($theirs, $name), $name);
    }
    expect($ours)->toContain("METHOD:REQUEST\r\n")->and($said($ours, 'SEQUENCE'))->toBe(['0']);
})->with(['4.1', '4.2', '4.3', '4.5']);

/** RFC 7986 5.11 (CONFERENCE), 5.7 (REFRESH-INTERVAL is for published calendars, and not sent), 6.1 to 6.3. */
it('says how to join as RFC 7986 5.11 has it', function (): void {
    $told = verb('itip', ['now' => '2026-12-01T00:00:00Z', 'before' => null, 'after' => [
        'uid' => 'u@example.com', 'sequence' => 0, 'status' => 'planned', 'summary' => 'S', 'description' => null, 'location' => null, 'url' => 'https://meet.example.com/j/abc?x=1,2;3',
        'organizer' => ['email' => 'a@example.com', 'name' => null], 'sent_by' => null, 'dtstart' => '2026-12-08T10:00:00', 'tzid' => 'UTC', 'duration' => 30, 'overrides' => [], 'attendees' => [['email' => 'b@example.com', 'name' => null, 'role' => 'required', 'kind' => 'guest']],
    ]]);
    $ics = str_replace("\r\n ", '', $told['messages'][0]['ics']);

    // VALUE=URI must stand (5.11); a URI is not escaped (RFC 5545 3.3.13).
    expect($ics)->toMatch('/^CONFERENCE;(?=[^:]*VALUE=URI)(?=[^:]*FEATURE=)[^:]*:https:\/\/meet\.example\.com\/j\/abc\?x=1,2;3\r$/m')
        ->and($ics)->toMatch('/^URL(?:;VALUE=URI)?:https:\/\/meet\.example\.com\/j\/abc\?x=1,2;3\r$/m')
        ->and(verb('read', ['ics' => $told['messages'][0]['ics']])['warnings'])->toBe([]);
});

<?php

declare(strict_types=1);

use Syndex\Core\Answers\AnswerMethod;
use Syndex\Core\Answers\CalendarAnswer;
use Syndex\Core\Answers\NotAnAnswer;
use Syndex\Core\Answers\ReadAnswer;
use Syndex\Core\Answers\Weight;
use Syndex\Core\CoreException;
use Syndex\Core\Tests;
use Syndex\Core\Work;

/** @return list<CalendarAnswer> */
function answersIn(string $lines, string $sender, string $method = 'REPLY'): array
{
    $ics = "BEGIN:VCALENDAR\r\nPRODID:-//Example/ExampleCalendarClient//EN\r\nMETHOD:$method\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\n" . str_replace("\n", "\r\n", trim($lines)) . "\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";

    return ReadAnswer::of($ics, $sender, Tests\zones(), Work::usual());
}

it('reads the answers of RFC 5546', function (string $method, string $lines, string $sender, array $expected): void {
    [$answer] = answersIn($lines, $sender, $method);
    $is = [
        'attendee' => $answer->attendee, 'partstat' => $answer->partstat, 'sequence' => $answer->sequence, 'delegate' => $answer->delegate, 'isDelegate' => $answer->isDelegate,
        'comment' => $answer->comment, 'recurrenceId' => $answer->recurrenceId?->format(), 'start' => $answer->start?->format(), 'end' => $answer->end?->format(),
    ];
    expect(array_filter($is, static fn(mixed $v): bool => $v !== null && $v !== false))->toBe($expected)->and($answer->method->value)->toBe($method);
})->with([
    '4.2.2, an acceptance' => ['REPLY', <<<'ICS'
        ATTENDEE;PARTSTAT=ACCEPTED:mailto:b@example.com
        ORGANIZER:mailto:a@example.com
        UID:calsrv.example.com-873970198738777@example.com
        SEQUENCE:0
        REQUEST-STATUS:2.0;Success
        DTSTAMP:19970612T190000Z
        ICS, 'b@example.com', ['attendee' => 'b@example.com', 'partstat' => 'accepted', 'sequence' => 0]],
    '4.2.4, another time' => ['COUNTER', <<<'ICS'
        ORGANIZER:mailto:a@example.com
        ATTENDEE;ROLE=CHAIR;PARTSTAT=ACCEPTED:mailto:a@example.com
        ATTENDEE;RSVP=TRUE;CUTYPE=INDIVIDUAL:mailto:b@example.com
        ATTENDEE;RSVP=TRUE;CUTYPE=INDIVIDUAL:mailto:c@example.com
        DTSTART:19970701T160000Z
        DTEND:19970701T170000Z
        DTSTAMP:19970612T190000Z
        SUMMARY:Discuss the Merits of the election results
        LOCATION:Blue Conference Room
        COMMENT:This time works much better and I think the big conference
          room is too big
        UID:calsrv.example.com-873970198738777a@example.com
        SEQUENCE:0
        ICS, 'b@example.com', ['attendee' => 'b@example.com', 'sequence' => 0, 'comment' => 'This time works much better and I think the big conference room is too big', 'start' => '1997-07-01T16:00:00Z', 'end' => '1997-07-01T17:00:00Z']],
    '4.2.5, handed on' => ['REPLY', <<<'ICS'
        ORGANIZER:mailto:a@example.com
        ATTENDEE;PARTSTAT=DELEGATED;DELEGATED-TO="mailto:e@example.com":mailto:c@example.com
        UID:calsrv.example.com-873970198738777@example.com
        SEQUENCE:0
        DTSTAMP:19970611T190000Z
        ICS, 'c@example.com', ['attendee' => 'c@example.com', 'partstat' => 'delegated', 'sequence' => 0, 'delegate' => 'e@example.com']],
    '4.2.6, the delegate comes' => ['REPLY', <<<'ICS'
        ORGANIZER:mailto:a@example.com
        ATTENDEE;PARTSTAT=ACCEPTED;DELEGATED-FROM="mailto:c@example.com":mailto:e@example.com
        ATTENDEE;PARTSTAT=DELEGATED;DELEGATED-TO="mailto:e@example.com":mailto:c@example.com
        UID:calsrv.example.com-873970198738777@example.com
        SEQUENCE:0
        DTSTAMP:19970614T190000Z
        ICS, 'e@example.com', ['attendee' => 'e@example.com', 'partstat' => 'accepted', 'sequence' => 0, 'isDelegate' => true]],
    '4.2.7, the delegate does not, from an address of their own' => ['REPLY', <<<'ICS'
        ORGANIZER:mailto:a@example.com
        ATTENDEE;PARTSTAT=DELEGATED;DELEGATED-TO="mailto:e@example.com":mailto:c@example.com
        ATTENDEE;PARTSTAT=DECLINED;DELEGATED-FROM="mailto:c@example.com":mailto:e@example.com
        COMMENT:Sorry\, I will be out of town at that time.
        UID:calsrv.example.com-873970198738777@example.com
        SEQUENCE:0
        DTSTAMP:19970614T190000Z
        ICS, 'elsewhere@example.net', ['attendee' => 'e@example.com', 'partstat' => 'declined', 'sequence' => 0, 'isDelegate' => true, 'comment' => 'Sorry, I will be out of town at that time.']],
    '4.4.9, another time on one date' => ['COUNTER', <<<'ICS'
        UID:guid-1@example.com
        RECURRENCE-ID:19970715T210000Z
        SEQUENCE:4
        ORGANIZER:mailto:a@example.com
        ATTENDEE;ROLE=CHAIR;RSVP=TRUE:mailto:a@example.com
        ATTENDEE;RSVP=TRUE:mailto:b@example.com
        DTSTART:19970715T220000Z
        DTEND:19970715T230000Z
        COMMENT:May we bump this by an hour? I have a conflict
        DTSTAMP:19970629T094000Z
        ICS, 'B@Example.com', ['attendee' => 'b@example.com', 'sequence' => 4, 'comment' => 'May we bump this by an hour? I have a conflict', 'recurrenceId' => '1997-07-15T21:00:00Z', 'start' => '1997-07-15T22:00:00Z', 'end' => '1997-07-15T23:00:00Z']],
    '4.7.1, the present state is asked for, DTSTAMP without its Z as printed' => ['REFRESH', <<<'ICS'
        ORGANIZER:mailto:a@example.com
        ATTENDEE;ROLE=CHAIR;PARTSTAT=ACCEPTED:mailto:a@example.com
        ATTENDEE:mailto:d@example.com
        UID:guid-1-12345@example.com
        DTSTAMP:19970603T094000
        ICS, 'd@example.com', ['attendee' => 'd@example.com', 'sequence' => 0]],
]);

// As programs write it (common practice, no published source).
it('finds who answers', function (string $attendees, string $sender, string $attendee, ?string $sentBy): void {
    [$answer] = answersIn("$attendees\nUID:x@syndex.example\nDTSTAMP:20261201T100000Z", $sender);
    expect([$answer->attendee, $answer->sentBy])->toBe([$attendee, $sentBy]);
})->with([
    'MAILTO in capitals' => ['ATTENDEE;PARTSTAT=ACCEPTED:MAILTO:Rosa@Anden.example', 'rosa@anden.example', 'Rosa@anden.example', null],
    'an office for them' => ['ATTENDEE;PARTSTAT=ACCEPTED;SENT-BY="mailto:office@anden.example":mailto:rosa@anden.example', 'office@anden.example', 'rosa@anden.example', 'office@anden.example'],
    'from another address' => ['ATTENDEE;PARTSTAT=ACCEPTED:mailto:rosa@anden.example', 'rosa@private.example', 'rosa@anden.example', null],
]);

it('reads each date that is answered', function (): void {
    $date = static fn(string $day, string $said): string => "UID:x@syndex.example\nRECURRENCE-ID;TZID=Africa/Nairobi:202612{$day}T153000\nDTSTAMP:20261201T100000Z\nATTENDEE;PARTSTAT=$said:mailto:rosa@anden.example";
    $answers = answersIn($date('08', 'DECLINED') . "\nEND:VEVENT\nBEGIN:VEVENT\n" . $date('22', 'TENTATIVE'), 'rosa@anden.example');

    expect(array_map(static fn(CalendarAnswer $a): array => [$a->recurrenceId?->format(), $a->partstat], $answers))->toBe([['2026-12-08T15:30:00+03:00', 'declined'], ['2026-12-22T15:30:00+03:00', 'tentative']]);
});

it('refuses what is no answer', function (string $method, string $lines, string $why): void {
    try {
        answersIn($lines, 'rosa@anden.example', $method);
        $this->fail('taken');
    } catch (NotAnAnswer $not) {
        expect($not->why)->toBe($why);
    }
})->with([
    'a request' => ['REQUEST', "UID:x\nATTENDEE:mailto:rosa@anden.example", 'method'],
    'no UID' => ['REPLY', 'ATTENDEE:mailto:rosa@anden.example', 'no_event'],
    'two meetings' => ['REPLY', "UID:x\nATTENDEE:mailto:rosa@anden.example\nEND:VEVENT\nBEGIN:VEVENT\nUID:y\nATTENDEE:mailto:rosa@anden.example", 'several_meetings'],
    'nobody' => ['REPLY', 'UID:x', 'nobody'],
    'another time without one' => ['COUNTER', "UID:x\nATTENDEE:mailto:rosa@anden.example", 'no_start'],
]);

it('is never more than refused by what is broken', function (): void {
    $seed = random_int(1, 1_000_000);
    mt_srand($seed);
    $whole = "BEGIN:VCALENDAR\r\nMETHOD:REPLY\r\nBEGIN:VEVENT\r\nUID:x@syndex.example\r\nRECURRENCE-ID;TZID=Africa/Nairobi:20261208T153000\r\nDTSTAMP:20261201T100000Z\r\nATTENDEE;PARTSTAT=DECLINED;DELEGATED-TO=\"mailto:a@b.example\":mailto:rosa@anden.example\r\nCOMMENT:Sorry\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
    $strange = 0;
    for ($i = 0; $i < 3000; $i++) {
        $spoiled = $whole;
        for ($n = mt_rand(1, 6); $n > 0; $n--) {
            $at = mt_rand(0, strlen($spoiled) - 1);
            $spoiled = match (mt_rand(0, 3)) {
                0 => substr_replace($spoiled, chr(mt_rand(0, 255)), $at, 1),
                1 => substr_replace($spoiled, '', $at, mt_rand(1, 30)),
                2 => substr_replace($spoiled, substr($spoiled, mt_rand(0, $at), mt_rand(1, 60)), $at, 0),
                default => substr_replace($spoiled, ["\r\n", ';', ':', '"', "\0", 'END:VEVENT', '99999999999999'][mt_rand(0, 6)], $at, 0),
            };
        }
        try {
            ReadAnswer::of($spoiled, 'rosa@anden.example', Tests\zones(), Work::usual());
        } catch (CoreException) {
            $strange++;
        }
    }
    expect($strange)->toBeGreaterThan(0, "seed $seed");
});

// RFC 5546 2.1.5: SEQUENCE first, then DTSTAMP.
it('weighs an answer by when it was written', function (int $sequence, int $stamp, int $sent, ?int $lastSequence, ?int $lastStamp, Weight $weight): void {
    expect(Weight::of($sequence, $stamp, $sent, $lastSequence, $lastStamp))->toBe($weight);
})->with([
    'the first' => [2, 100, 2, null, null, Weight::Counts],
    'to what has changed since' => [1, 100, 2, null, null, Weight::OlderVersion],
    'to what was never sent' => [3, 100, 2, null, null, Weight::NeverSent],
    'another, later' => [2, 101, 2, 2, 100, Weight::Counts],
    'the same once more' => [2, 100, 2, 2, 100, Weight::Counts],
    'an earlier one, overtaken' => [2, 99, 2, 2, 100, Weight::OlderAnswer],
    'to a newer version, though its clock is behind' => [2, 50, 2, 1, 100, Weight::Counts],
    'to an older version, though its clock is ahead' => [1, 500, 2, 2, 100, Weight::OlderVersion],
]);

it('knows methods by their names', fn() => expect(array_column(AnswerMethod::cases(), 'value'))->toBe(['REPLY', 'COUNTER', 'REFRESH']));

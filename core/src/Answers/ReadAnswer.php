<?php

declare(strict_types=1);

namespace Syndex\Core\Answers;

use Syndex\Core\ICalendar\CalendarAttendee;
use Syndex\Core\ICalendar\CalendarReader;
use Syndex\Core\ICalendar\Entry;
use Syndex\Core\ICalendar\NotACalendar;
use Syndex\Core\Invitations\MailAddress;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** Reads what attendees answer (RFC 5546 3.2.3, 3.2.6, 3.2.7), as their programs write it. */
final class ReadAnswer
{
    private const MOST = 400;

    /**
     * @param  string  $sender  address of whoever sent the mail: of several attendees the one who answers
     * @return non-empty-list<CalendarAnswer> one for each date, or one for the whole
     *
     * @throws NotACalendar
     * @throws NotAnAnswer
     */
    public static function of(string $octets, string $sender, ZoneData $zones, Work $work): array
    {
        $reader = CalendarReader::ofText($octets, $zones, $work);
        $entries = [];
        foreach ($reader->entries() as $entry) {
            if ($entry->uid !== null && $entry->uid !== '') {
                $entries[] = $entry;
            }
            if (count($entries) > self::MOST) {
                throw NotAnAnswer::tooMany(self::MOST);
            }
        }
        $method = AnswerMethod::tryFrom((string) $reader->method()) ?? throw NotAnAnswer::method($reader->method());
        if ($entries === []) {
            throw NotAnAnswer::noEvent();
        }
        if (count(array_unique(array_map(static fn(Entry $e): ?string => $e->uid, $entries))) > 1) {
            throw NotAnAnswer::severalMeetings();
        }

        return array_map(static fn(Entry $entry): CalendarAnswer => self::answer($method, $entry, $sender), $entries);
    }

    private static function answer(AnswerMethod $method, Entry $entry, string $sender): CalendarAnswer
    {
        $who = self::who($method, $entry, MailAddress::key($sender));
        if ($method === AnswerMethod::Counter && $entry->start === null) {
            throw NotAnAnswer::noStart();
        }
        $isCounter = $method === AnswerMethod::Counter;

        return new CalendarAnswer(
            $method,
            (string) $entry->uid,
            $entry->recurrenceId,
            $entry->sequence,
            $entry->stamp,
            $who->person->email ?? $sender,
            $method === AnswerMethod::Reply && $who !== null ? strtolower($who->partstat) : null,
            $who?->partstat === 'DELEGATED' ? ($who->delegatedTo[0] ?? null) : null,
            $who !== null && $who->delegatedFrom !== [],
            $who?->sentBy,
            $entry->comment,
            $isCounter ? $entry->start : null,
            $isCounter ? $entry->end : null,
        );
    }

    /**
     * Of a REPLY the one attendee; where there are more, as when a delegate answers (RFC 5546 4.2.6), the one who sends it. A
     * COUNTER or a REFRESH may list everybody (4.2.4, 4.7.1): it is the sender's.
     */
    private static function who(AnswerMethod $method, Entry $entry, string $sender): ?CalendarAttendee
    {
        $is = static fn(string $address): bool => MailAddress::key($address) === $sender;
        foreach ($entry->attendees as $attendee) {
            if ($is($attendee->person->email)) {
                return $attendee;
            }
        }
        foreach ($entry->attendees as $attendee) {
            if ($attendee->sentBy !== null && $is($attendee->sentBy)) {
                return $attendee;
            }
        }
        if ($method !== AnswerMethod::Reply) {
            return null;
        }
        if ($entry->attendees === []) {
            throw NotAnAnswer::nobody();
        }
        foreach ($entry->attendees as $attendee) {
            if ($attendee->delegatedFrom !== []) {
                return $attendee;
            }
        }

        return $entry->attendees[0];
    }
}

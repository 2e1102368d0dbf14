<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

use Syndex\Core\ICalendar\EntryWriter;
use Syndex\Core\Recurrence\PlainDates;
use Syndex\Core\Time\Instant;
use Syndex\Core\Work;

/**
 * A meeting as it stands, said to everybody: when it is sent, when it is called off, and as a file (RFC 5546 3.2.2 and 3.2.5).
 *
 * A rule that not every calendar understands goes out as plain dates; {@see PlainDates} says when they are too many.
 */
final class Announce
{
    /**
     * Who is told when a meeting is sent or called off.
     *
     * @return list<string> addresses, each once, sorted; the organizer's own gets nothing
     */
    public static function recipients(MeetingSnapshot $meeting): array
    {
        $addresses = array_values(array_unique(array_map(static fn(Invitee $i): string => $i->email, $meeting->invitees)));
        sort($addresses, SORT_STRING);

        return array_values(array_filter($addresses, static fn(string $address): bool => MailAddress::key($address) !== MailAddress::key($meeting->organizerAddress)));
    }

    /**
     * @param  int  $sequence  one higher than was last sent (RFC 5546 2.1.4)
     * @param  string  $to  address of the one who gets it: where people are hidden from each other, they see only themselves
     */
    public static function cancel(MeetingSnapshot $meeting, int $sequence, Instant $now, string $to): string
    {
        return (new MessageTexts($meeting, null, $sequence, $now, Work::usual()))->of(Saying::gone(null, $to, MailAddress::key($to), true, [Change::CalledOff]));
    }

    public static function request(MeetingSnapshot $meeting, Instant $now, string $to): string
    {
        return EntryWriter::write(Method::Request->value, MessageTexts::entries($meeting, $meeting->sequence, $now, seenBy: MailAddress::key($to)), $now->seconds, Work::usual());
    }

    /** A plain file for whoever keeps a calendar by hand: no METHOD, nobody is asked for an answer. */
    public static function file(MeetingSnapshot $meeting, Instant $now): string
    {
        return EntryWriter::write(null, MessageTexts::entries($meeting, $meeting->sequence, $now), $now->seconds, Work::usual());
    }
}

<?php

declare(strict_types=1);

namespace App\Invitations;

use App\HouseRules\OrganizerAddress;
use App\Planning\AgendaItem;
use App\Planning\Attendee;
use App\Planning\Meeting;
use App\Planning\MeetingSeries;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Invitations\Invitee;
use Syndex\Core\Invitations\MeetingDate;
use Syndex\Core\Invitations\MeetingSnapshot;
use Syndex\Core\Joining\MeetingNumber;
use Syndex\Core\Joining\PhoneText;

/** A meeting as the core's invitations see it. */
final readonly class CoreMeeting
{
    /** Minutes before the start at which calendars remind. */
    private const REMINDER = 15;

    public function __construct(private MeetingSeries $series) {}

    public function of(MeetingAsTold $told): MeetingSnapshot
    {
        $meeting = $told->meeting;
        $host = $told->host();
        $own = $told->organizer === OrganizerAddress::Meeting;
        $organizer = $own ? self::addressOf($meeting) : $host->email;
        $kit = $meeting->join_mode->isOnline() ? $meeting->kit : null;

        $moved = $this->series->moved($meeting);
        $series = $moved->unmoved($this->series->of($meeting));
        $invitees = array_values($meeting->attendees->map(static fn(Attendee $a): Invitee => new Invitee(
            $a->person->email,
            $a->person->name,
            $a->person_id === $meeting->host_id ? AttendeeRole::Chair : $a->role,
            strtoupper($a->partstat),
        ))->all());
        $place = $meeting->join_mode->needsPlace() ? $meeting->place : null;

        return new MeetingSnapshot(
            uid: $meeting->uid,
            sequence: $meeting->sequence,
            summary: $meeting->title,
            description: $this->description($meeting),
            location: $place,
            url: $kit?->link,
            organizerAddress: $organizer,
            organizerName: $host->called(),
            sentBy: !$own && $meeting->coordinator->email !== $host->email ? $meeting->coordinator->email : null,
            series: $series,
            durationMinutes: $meeting->duration_minutes,
            invitees: $invitees,
            reminderMinutes: $meeting->all_day ? null : self::REMINDER,
            dates: array_map(static fn(array $pair): MeetingDate => new MeetingDate($pair[0], $pair[1], $meeting->duration_minutes, $meeting->title, $place, $invitees), $moved->pairs()),
            showsLinkAsPlace: true,
            comment: $told->words,
            hidesPeople: HidePeople::from($meeting),
        );
    }

    /** The meeting's own address on Syndex's domain, to which answers come back. */
    public static function addressOf(Meeting $meeting): string
    {
        return 'm-' . $meeting->address_token . '@' . config('syndex.mail_domain');
    }

    private function description(Meeting $meeting): string
    {
        $parts = [$meeting->purpose ?? ''];
        if ($meeting->agenda->isNotEmpty()) {
            $parts[] = __('mail.agenda') . ":\n" . $meeting->agenda->map(static fn(AgendaItem $i): string => '- ' . $i->inWords())->implode("\n");
        }
        if ($meeting->links !== []) {
            $parts[] = __('mail.links') . ":\n" . implode("\n", array_map(static fn(array $l): string => '- ' . ($l['label'] === '' ? '' : $l['label'] . ': ') . $l['url'], $meeting->links));
        }
        if ($meeting->join_mode->isOnline() && $meeting->kit !== null) {
            $parts[] = __('mail.join') . ': ' . $meeting->kit->link . "\n"
                . __('mail.number_and_passcode', ['number' => MeetingNumber::of($meeting->kit->number)->format(), 'passcode' => $meeting->kit->passcode]) . "\n"
                . implode("\n", array_map(static fn(array $d): string => __('mail.by_phone') . ' ' . PhoneText::of($d['number']) . ' (' . $d['country'] . ')', $meeting->kit->dial_ins)) . "\n"
                . __('mail.then_pin', ['number' => $meeting->kit->number, 'pin' => $meeting->kit->pin]);
        }
        if ($meeting->join_mode->needsPlace() && $meeting->place !== null) {
            $parts[] = __('mail.place') . ': ' . $meeting->place;
        }

        return implode("\n\n", array_filter($parts, static fn(string $p): bool => $p !== ''));
    }
}

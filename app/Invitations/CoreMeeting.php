<?php

declare(strict_types=1);

namespace App\Invitations;

use App\HouseRules\OrganizerAddress;
use App\Joining\GivenKit;
use App\Planning\AgendaItem;
use App\Planning\Attendee;
use App\Planning\DateAsPlanned;
use App\Planning\DateAttendee;
use App\Planning\Meeting;
use App\Planning\MeetingSeries;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Invitations\Invitee;
use Syndex\Core\Invitations\MeetingDate;
use Syndex\Core\Invitations\MeetingSnapshot;
use Syndex\Core\Recurrence\MovedDates;
use Syndex\Core\Time\WallTime;

/** A meeting as the core's invitations see it. */
final readonly class CoreMeeting
{
    public function __construct(private MeetingSeries $series) {}

    /**
     * @param  ?LetterWords  $words  in which its description is written; null: English
     * @param  ?string  $country  whose telephone numbers stand in it; null: those of the anchor's
     * @param  list<string>  $entry  what its reader needs to know of the door
     */
    public function of(MeetingAsTold $told, ?LetterWords $words = null, ?string $country = null, array $entry = []): MeetingSnapshot
    {
        $meeting = $told->meeting;
        $host = $told->host();
        $own = $told->organizer === OrganizerAddress::Meeting;
        $organizer = $own ? self::addressOf($meeting) : $host->email;
        $kit = $meeting->join_mode->hasLink() ? $meeting->kit : null;

        $moved = $this->series->moved($meeting);
        $series = $moved->unmoved($this->series->of($meeting));
        $place = $meeting->join_mode->needsPlace() ? $meeting->place : null;

        return new MeetingSnapshot(
            uid: $meeting->uid,
            sequence: $meeting->sequence,
            summary: $meeting->title,
            description: self::description($told, $words ?? LetterWords::english(), $country ?? PhonesFor::country($told, null), $entry),
            location: $place,
            url: $kit === null ? null : GivenKit::under($kit, $told->room)->link,
            organizerAddress: $organizer,
            organizerName: $host->called(),
            sentBy: !$own && $meeting->coordinator->email !== $host->email ? $meeting->coordinator->email : null,
            series: $series,
            durationMinutes: $meeting->duration_minutes,
            invitees: self::invitees($meeting, $meeting->attendees),
            reminderMinutes: $meeting->all_day ? null : $meeting->reminder_minutes,
            dates: self::dates($meeting, $moved),
            showsLinkAsPlace: true,
            comment: $told->words,
            class: $meeting->calendar_class,
            categories: $meeting->categories ?? [],
            isTransparent: $meeting->takes_no_time,
            relatedTo: $told->relatedTo(),
            hidesPeople: HidePeople::from($meeting),
        );
    }

    /** @return list<MeetingDate> dates that were moved or have something of their own */
    private static function dates(Meeting $meeting, MovedDates $moved): array
    {
        $starts = [];
        foreach ($meeting->dates as $own) {
            $starts[$own->date()->seconds] = $own->date();
        }
        foreach ($moved->pairs() as [$from, $to]) {
            $starts[$from->seconds] = $to;
        }
        $dates = [];
        foreach ($starts as $named => $start) {
            $date = DateAsPlanned::of($meeting, WallTime::ofSeconds($named));
            $dates[] = new MeetingDate(WallTime::ofSeconds($named), $start, $date->minutes, $date->title, $date->place, self::invitees($meeting, $date->people));
        }

        return $dates;
    }

    /**
     * @param  iterable<Attendee|DateAttendee>  $people
     * @return list<Invitee>
     */
    private static function invitees(Meeting $meeting, iterable $people): array
    {
        $invitees = [];
        foreach ($people as $asked) {
            $invitees[] = new Invitee($asked->person->email, $asked->person->name, $asked->person_id === $meeting->host_id ? AttendeeRole::Chair : $asked->role, strtoupper($asked->partstat));
        }

        return $invitees;
    }

    /** The meeting's own address on Syndex's domain, to which answers come back. */
    public static function addressOf(Meeting $meeting): string
    {
        return 'm-' . $meeting->address_token . '@' . config('syndex.mail_domain');
    }

    /** @param list<string> $entry */
    private static function description(MeetingAsTold $told, LetterWords $words, ?string $country, array $entry): string
    {
        $meeting = $told->meeting;
        $parts = [$meeting->purpose ?? ''];
        if ($meeting->agenda->isNotEmpty()) {
            $parts[] = $words->say('agenda') . ":\n" . $meeting->agenda->map(static fn(AgendaItem $i): string => '- ' . $i->inWords($words->language->length(...)))->implode("\n");
        }
        if ($meeting->links !== []) {
            $parts[] = $words->say('links') . ":\n" . implode("\n", array_map(static fn(array $l): string => '- ' . ($l['label'] === '' ? '' : $l['label'] . ': ') . $l['url'], $meeting->links));
        }
        $parts[] = self::joining($told, $words, $country);
        $parts[] = implode(' ', $entry);
        if ($meeting->join_mode->needsPlace() && $meeting->place !== null) {
            $parts[] = $words->say('place') . ': ' . $meeting->place;
        }

        return implode("\n\n", array_filter($parts, static fn(string $p): bool => $p !== ''));
    }

    /** Link and number where there is one, and the telephones that its reader needs. */
    private static function joining(MeetingAsTold $told, LetterWords $words, ?string $country): string
    {
        $kit = $told->meeting->kit;
        if ($kit === null || !$told->meeting->join_mode->hasKit()) {
            return '';
        }
        $given = GivenKit::under($kit, $told->room);
        $phones = PhonesFor::of($told, $country, $words);

        return implode("\n", [
            ...($told->meeting->join_mode->hasLink() ? [$words->say('join') . ': ' . $given->link, KitWords::typed($given, $words)] : []),
            ...array_map(static fn(array $phone): string => $words->say('by_phone') . ' ' . $phone['text'], $phones),
            ...($phones === [] ? [] : [KitWords::dialled($given, $words)]),
        ]);
    }
}

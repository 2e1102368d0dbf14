<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Person;
use App\Planning\AgendaItem;
use App\Planning\Attendee;
use App\Planning\Meeting;
use App\Planning\MeetingSeries;
use Syndex\Core\Invitations\Change;
use Syndex\Core\Recurrence\MovedDates;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Sentence\English\EnglishWords;
use Syndex\Core\Sentence\Grammar;
use Syndex\Core\Sentence\SentencePiece;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** Says in words what differs between two states of a meeting, old and new beside each other, to one person or to whoever plans. */
final readonly class DescribeChange
{
    /** Dates of two states are held against each other so far. */
    private const DATES = 1000;

    private const NAMED = 6;

    public function __construct(private MeetingSeries $series, private ZoneData $zones, private Grammar $grammar) {}

    /**
     * @param  ?list<Change>  $only  what is told; null: all that differs
     * @return list<array{what: string, was: ?string, now: ?string}> a text that is null was not, or is not any more
     */
    public function of(MeetingAsTold $before, MeetingAsTold $after, ?Person $reader = null, ?array $only = null): array
    {
        [$was, $now] = [$before->meeting, $after->meeting];
        $isTold = static fn(Change ...$changes): bool => $only === null || array_intersect(array_column($changes, 'value'), array_column($only, 'value')) !== [];
        $lines = [];
        if ($isTold(Change::Time, Change::Length, Change::Repeats, Change::DateDropped, Change::DateAdded, Change::DateMoved)) {
            $lines = $this->when($was, $now, $reader);
        }
        foreach ([
            'title' => [$isTold(Change::Title), $was->title, $now->title],
            'place' => [$isTold(Change::Place), self::place($was), self::place($now)],
            'join' => [$isTold(Change::Join), self::link($was), self::link($now)],
            'host' => [$isTold(Change::Organizer), $before->host()->called(), $after->host()->called()],
            'purpose' => [$isTold(Change::Text), $was->purpose, $now->purpose],
            'agenda' => [$isTold(Change::Text), self::agenda($was), self::agenda($now)],
            'links' => [$isTold(Change::Text), self::links($was), self::links($now)],
            // Nobody is told of this by itself: their next message shows it.
            'sees' => [$only === null, self::sees($was), self::sees($now)],
        ] as $what => [$says, $old, $new]) {
            if ($says && ($old ?? '') !== ($new ?? '')) {
                $lines[] = ['what' => $what, 'was' => $old === '' ? null : $old, 'now' => $new === '' ? null : $new];
            }
        }
        if ($isTold(Change::People)) {
            array_push($lines, ...self::people($was, $now));
        }
        if ($isTold(Change::Role)) {
            array_push($lines, ...self::roles($was, $now, $reader));
        }

        return $lines;
    }

    /** @return list<array{what: string, was: ?string, now: ?string}> */
    private function when(Meeting $was, Meeting $now, ?Person $reader): array
    {
        [$old, $new] = [$this->series->of($was), $this->series->of($now)];
        $parts = $this->differing($old, $was, $new, $now);
        if ($parts !== []) {
            $isShort = array_diff($parts, ['time', 'zone', 'length']) === [];
            $lines = [];
            if (!$isShort) {
                $lines[] = ['what' => 'when', 'was' => $this->sentence($old, $was), 'now' => $this->sentence($new, $now)];
            } elseif ($parts !== ['length']) {
                $lines[] = ['what' => 'time', 'was' => self::clock($old, $was), 'now' => self::clock($new, $now)];
            }
            if ($isShort && $was->duration_minutes !== $now->duration_minutes) {
                $lines[] = ['what' => 'length', 'was' => EnglishWords::length($was->duration_minutes), 'now' => EnglishWords::length($now->duration_minutes)];
            }

            return [...$lines, ...$this->forYou($old, $was, $new, $now, $reader)];
        }
        $moved = [];
        [$wasMoved, $isMoved] = [self::targets($this->series->moved($was)), self::targets($this->series->moved($now))];
        foreach ($isMoved as $from => $to) {
            if (($wasMoved[$from] ?? $from) !== $to) {
                $moved[] = [$wasMoved[$from] ?? $from, $to];
            }
        }
        foreach (array_diff_key($wasMoved, $isMoved) as $from => $to) {
            if (in_array($from, $this->walls($new), true)) {
                $moved[] = [$to, $from];
            }
        }
        $gone = array_diff($this->walls($old), $this->walls($new), array_column($moved, 0));
        $come = array_diff($this->walls($new), $this->walls($old), array_column($moved, 1));
        $say = fn(array $walls): string => implode(', ', array_map(fn(int $wall): string => $this->date($wall, $now, $reader), array_slice(array_values($walls), 0, self::NAMED))) . (count($walls) > self::NAMED ? ' …' : '');

        return [
            ...array_map(fn(array $pair): array => ['what' => 'date_moved', 'was' => $this->date($pair[0], $was, $reader), 'now' => $this->date($pair[1], $now, $reader)], array_slice($moved, 0, self::NAMED)),
            ...($gone === [] ? [] : [['what' => 'dates_off', 'was' => $say($gone), 'now' => null]]),
            ...($come === [] ? [] : [['what' => 'dates_new', 'was' => null, 'now' => $say($come)]]),
        ];
    }

    /**
     * The first date on the reader's own clock, where that is another than the meeting's.
     *
     * @return list<array{what: string, was: ?string, now: ?string}>
     */
    private function forYou(Series $old, Meeting $was, Series $new, Meeting $now, ?Person $reader): array
    {
        if ($reader?->zone === null || !$this->zones->knows($reader->zone) || $old->allDay || $new->allDay) {
            return [];
        }
        $zone = $this->zones->zone($reader->zone);
        $say = static fn(Series $series): string => EnglishWords::weekdayAndDate($wall = WallTime::ofSeconds($zone->toWall($series->moment($series->start->seconds)))) . ', ' . $wall->formatClock();

        return $zone->id === $was->zone && $zone->id === $now->zone || $say($old) === $say($new) ? [] : [['what' => 'for_you', 'was' => $say($old), 'now' => $say($new)]];
    }

    /**
     * Parts of the sentence that say something else, but for single dates; the same words with another rule beneath them are no news.
     *
     * @return list<string>
     */
    private function differing(Series $old, Meeting $was, Series $new, Meeting $now): array
    {
        $parts = function (Series $series, Meeting $meeting): array {
            $said = [];
            foreach ($this->grammar->pieces($series->withDates($series->start, $series->rule), $meeting->duration_minutes) as $piece) {
                $said[$piece->part ?? ''] = ($said[$piece->part ?? ''] ?? '') . $piece->text;
            }

            return $said;
        };
        [$before, $after] = [$parts($old, $was), $parts($new, $now)];
        $differing = [];
        foreach (array_keys($before + $after) as $part) {
            if (($before[$part] ?? null) !== ($after[$part] ?? null)) {
                $differing[] = $part;
            }
        }

        return $differing === [''] ? [] : array_values(array_diff($differing, ['']));
    }

    private static function clock(Series $series, Meeting $meeting): string
    {
        return $series->start->formatClock() . ' ' . PlaceName::of($meeting->zone) . ' time';
    }

    private function sentence(Series $series, Meeting $meeting): string
    {
        return SentencePiece::join($this->grammar->pieces($series, $meeting->duration_minutes));
    }

    /** @return array<int, int> */
    private static function targets(MovedDates $moved): array
    {
        $targets = [];
        foreach ($moved->pairs() as [$from, $to]) {
            $targets[$from->seconds] = $to->seconds;
        }

        return $targets;
    }

    /** @return list<int> */
    private function walls(Series $series): array
    {
        return $series->expand(Work::usual(), limit: self::DATES)->walls;
    }

    /** A date of a meeting on the reader's own clock, where that is known, else on the meeting's. */
    private function date(int $wall, Meeting $meeting, ?Person $reader): string
    {
        if ($meeting->all_day) {
            return EnglishWords::weekdayAndDate(WallTime::ofSeconds($wall));
        }
        $zone = $this->zones->zone($reader?->zone !== null && $this->zones->knows($reader->zone) ? $reader->zone : $meeting->zone);
        $at = WallTime::ofSeconds($zone->toWall($this->zones->zone($meeting->zone)->toUtc($wall)));

        return EnglishWords::weekdayAndDate($at) . ', ' . $at->formatClock() . ' ' . PlaceName::of($zone->id) . ' time';
    }

    private static function place(Meeting $meeting): ?string
    {
        return $meeting->join_mode->needsPlace() ? $meeting->place : null;
    }

    private static function link(Meeting $meeting): ?string
    {
        return $meeting->join_mode->isOnline() ? $meeting->kit?->link : null;
    }

    private static function sees(Meeting $meeting): string
    {
        return __(HidePeople::from($meeting) ? 'mail.sees_nobody' : 'mail.sees_all');
    }

    private static function agenda(Meeting $meeting): string
    {
        return $meeting->agenda->map(static fn(AgendaItem $i): string => $i->inWords())->implode('; ');
    }

    private static function links(Meeting $meeting): string
    {
        return implode('; ', array_map(static fn(array $l): string => trim($l['label'] . ' ' . $l['url']), $meeting->links));
    }

    /** @return list<array{what: string, was: ?string, now: ?string}> */
    private static function people(Meeting $was, Meeting $now): array
    {
        $names = static fn(Meeting $of): array => $of->attendees->mapWithKeys(static fn(Attendee $a): array => [$a->person_id => $a->person->called()])->all();
        [$old, $new] = [$names($was), $names($now)];
        $gone = array_diff_key($old, $new);
        $come = array_diff_key($new, $old);

        return [
            ...($come === [] ? [] : [['what' => 'people_new', 'was' => null, 'now' => implode(', ', $come)]]),
            ...($gone === [] ? [] : [['what' => 'people_gone', 'was' => implode(', ', $gone), 'now' => null]]),
        ];
    }

    /** @return list<array{what: string, was: ?string, now: ?string}> of one person, or of everybody */
    private static function roles(Meeting $was, Meeting $now, ?Person $reader): array
    {
        $roles = $was->attendees->mapWithKeys(static fn(Attendee $a): array => [$a->person_id => $a->role])->all();
        $lines = [];
        foreach ($now->attendees as $attendee) {
            $old = $roles[$attendee->person_id] ?? null;
            if ($old !== null && $old !== $attendee->role && ($reader === null || $reader->id === $attendee->person_id)) {
                $say = static fn(string $role): string => ($reader === null ? $attendee->person->called() . ': ' : '') . __("mail.role_$role");
                $lines[] = ['what' => 'role', 'was' => $say($old->value), 'now' => $say($attendee->role->value)];
            }
        }

        return $lines;
    }
}

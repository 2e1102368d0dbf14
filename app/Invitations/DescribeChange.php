<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Joining\GivenKit;
use App\People\Clocks;
use App\People\Person;
use App\Planning\AgendaItem;
use App\Planning\Attendee;
use App\Planning\DateAsPlanned;
use App\Planning\DateAttendee;
use App\Planning\Meeting;
use App\Planning\MeetingSeries;
use Syndex\Core\Invitations\Change;
use Syndex\Core\Recurrence\MovedDates;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Sentence\Grammar;
use Syndex\Core\Sentence\Language;
use Syndex\Core\Sentence\SentencePiece;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** Says in words what differs between two states of a meeting, old and new beside each other, to one person or to whoever plans. */
final readonly class DescribeChange
{
    /** Dates of two states are held against each other so far. */
    private const DATES = 1000;

    private const NAMED = 6;

    public function __construct(private MeetingSeries $series, private ZoneData $zones, private Clocks $clocks, private Grammar $grammar) {}

    /**
     * @param  ?list<Change>  $only  what is told; null: all that differs
     * @return list<array{what: string, was: ?string, now: ?string, date?: string}> a text that is null was not, or is not any more; `date`: of that date alone
     */
    public function of(MeetingAsTold $before, MeetingAsTold $after, ?Person $reader = null, ?array $only = null): array
    {
        [$was, $now] = [$before->meeting, $after->meeting];
        $isTold = static fn(Change ...$changes): bool => $only === null || array_intersect(array_column($changes, 'value'), array_column($only, 'value')) !== [];
        $words = $reader === null ? LetterWords::english() : LetterWords::to($reader, $after->host());
        $lines = [];
        if ($isTold(Change::Time, Change::Length, Change::Repeats, Change::DateDropped, Change::DateAdded, Change::DateMoved)) {
            $lines = $this->when($was, $now, $reader, $words);
        }
        array_push($lines, ...$this->singleDates($was, $now, $reader, $words, $isTold));
        foreach ([
            'title' => [$isTold(Change::Title), $was->title, $now->title],
            'place' => [$isTold(Change::Place), self::place($was), self::place($now)],
            'join' => [$isTold(Change::Join), self::link($before), self::link($after)],
            'passcode' => [$isTold(Change::Join, Change::Text), self::kit($before)?->passcode, self::kit($after)?->passcode],
            'pin' => [$isTold(Change::Join, Change::Text), self::kit($before)?->pin, self::kit($after)?->pin],
            'host' => [$isTold(Change::Organizer), $before->host()->called(), $after->host()->called()],
            'purpose' => [$isTold(Change::Text), $was->purpose, $now->purpose],
            'agenda' => [$isTold(Change::Text), self::agenda($was), self::agenda($now)],
            'links' => [$isTold(Change::Text), self::links($was), self::links($now)],
            'entry' => [$isTold(Change::Text) && $before->room !== null, ...self::entry($before, $after, $reader, $words)],
            // Nobody is told of this by itself: their next message shows it.
            'sees' => [$only === null, self::sees($was, $words), self::sees($now, $words)],
            'room' => [$only === null, '', DescribeRules::ofRoom($was, $now)],
            'calendar' => [$only === null, '', DescribeRules::ofCalendar($was, $now)],
            'rights' => [$only === null, DescribeRules::rights($was), DescribeRules::rights($now)],
        ] as $what => [$says, $old, $new]) {
            // A passcode that was not, or is no more, is said with the link.
            if (($what === 'passcode' || $what === 'pin') && ($old === null || $new === null)) {
                continue;
            }
            if ($says && ($old ?? '') !== ($new ?? '')) {
                $lines[] = ['what' => $what, 'was' => $old === '' ? null : $old, 'now' => $new === '' ? null : $new];
            }
        }
        if ($isTold(Change::People)) {
            array_push($lines, ...self::people($was, $now, $words));
        }
        if ($isTold(Change::Role)) {
            array_push($lines, ...self::roles($was, $now, $reader, $words));
        }

        return $lines;
    }

    /** @return array{string, string} what is said of the door to somebody; where nobody reads, to the first to whom it says something else */
    private static function entry(MeetingAsTold $before, MeetingAsTold $after, ?Person $reader, LetterWords $words): array
    {
        $readers = $reader !== null ? [$reader] : array_map(static fn(Attendee|DateAttendee $a): Person => $a->person, $after->meeting->everybody());
        foreach ($readers as $one) {
            [$was, $is] = [EntryWords::of($before, $one, $words), EntryWords::of($after, $one, $words)];
            if ($was !== $is) {
                return [implode(' ', array_diff($was, $is)), implode(' ', array_diff($is, $was))];
            }
        }

        return ['', ''];
    }

    /** @return list<array{what: string, was: ?string, now: ?string}> */
    private function when(Meeting $was, Meeting $now, ?Person $reader, LetterWords $words): array
    {
        [$old, $new] = [$this->series->of($was), $this->series->of($now)];
        $parts = $this->differing($old, $was, $new, $now);
        if ($parts !== []) {
            $isShort = array_diff($parts, ['time', 'zone', 'length']) === [];
            $lines = [];
            if (!$isShort) {
                $lines[] = ['what' => 'when', 'was' => $this->sentence($old, $was, $words), 'now' => $this->sentence($new, $now, $words)];
            } elseif ($parts !== ['length']) {
                $lines[] = ['what' => 'time', 'was' => self::clock($old, $was, $words), 'now' => self::clock($new, $now, $words)];
            }
            if ($isShort && $was->duration_minutes !== $now->duration_minutes) {
                $lines[] = ['what' => 'length', 'was' => $words->language->length($was->duration_minutes), 'now' => $words->language->length($now->duration_minutes)];
            }

            return [...$lines, ...$this->forYou($old, $was, $new, $now, $reader, $words)];
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
        $say = fn(array $walls): string => implode('; ', array_map(fn(int $wall): string => $this->date($wall, $now, $reader, $words), array_slice(array_values($walls), 0, self::NAMED))) . (count($walls) > self::NAMED ? ' …' : '');

        return [
            ...array_map(fn(array $pair): array => ['what' => 'date_moved', 'was' => $this->date($pair[0], $was, $reader, $words), 'now' => $this->date($pair[1], $now, $reader, $words)], array_slice($moved, 0, self::NAMED)),
            ...($gone === [] ? [] : [['what' => 'dates_off', 'was' => $say($gone), 'now' => null]]),
            ...($come === [] ? [] : [['what' => 'dates_new', 'was' => null, 'now' => $say($come)]]),
        ];
    }

    /**
     * The first date on the reader's own clock, where that is another than the meeting's.
     *
     * @return list<array{what: string, was: ?string, now: ?string}>
     */
    private function forYou(Series $old, Meeting $was, Series $new, Meeting $now, ?Person $reader, LetterWords $words): array
    {
        $zone = $reader === null ? null : $this->clocks->of($reader);
        if ($zone === null || $old->allDay || $new->allDay) {
            return [];
        }
        $say = static fn(Series $series): string => $words->dateAndClock(WallTime::ofSeconds($zone->toWall($series->moment($series->start->seconds))));

        return $zone->key() === $was->zone && $zone->key() === $now->zone || $say($old) === $say($new) ? [] : [['what' => 'for_you', 'was' => $say($old), 'now' => $say($new)]];
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

    private static function clock(Series $series, Meeting $meeting, LetterWords $words): string
    {
        return $words->say('clock_place', ['clock' => $words->language->clock($series->start), 'place' => $words->language->place($meeting->zone)]);
    }

    private function sentence(Series $series, Meeting $meeting, LetterWords $words): string
    {
        return $words->language->tag === 'en' ? SentencePiece::join($this->grammar->pieces($series, $meeting->duration_minutes)) : $words->language->sentence($series, $meeting->duration_minutes);
    }

    /**
     * What single dates have of their own.
     *
     * @param  \Closure(Change...): bool  $isTold
     * @return list<array{what: string, was: ?string, now: ?string, date?: string}>
     */
    private function singleDates(Meeting $was, Meeting $now, ?Person $reader, LetterWords $words, \Closure $isTold): array
    {
        $dates = [];
        foreach ([...$was->dates, ...$now->dates] as $own) {
            $dates[$own->date()->seconds] = $own->date();
        }
        ksort($dates);
        $lines = [];
        foreach (array_slice($dates, 0, self::NAMED, true) as $date) {
            [$old, $new] = [DateAsPlanned::of($was, $date), DateAsPlanned::of($now, $date)];
            $on = $words->language->date($this->onClock($date->seconds, $now, $reader)[0]);
            // What the series says of all its dates is said of them together.
            $differs = static fn(mixed $before, mixed $after, mixed $wholeBefore, mixed $whole): bool => $before !== $after && !($before === $wholeBefore && $after === $whole);
            if ($isTold(Change::Length) && $differs($old->minutes, $new->minutes, $was->duration_minutes, $now->duration_minutes)) {
                $lines[] = ['what' => 'date_length', 'date' => $on, 'was' => $words->language->length($old->minutes), 'now' => $words->language->length($new->minutes)];
            }
            if ($isTold(Change::Place) && $differs($old->place, $new->place, self::place($was), self::place($now))) {
                $lines[] = ['what' => 'date_place', 'date' => $on, 'was' => $old->place, 'now' => $new->place];
            }
            if ($isTold(Change::Title) && $differs($old->title, $new->title, $was->title, $now->title)) {
                $lines[] = ['what' => 'date_title', 'date' => $on, 'was' => $old->title, 'now' => $new->title];
            }
            if ($isTold(Change::People) && ($old->hasOwnPeople || $new->hasOwnPeople)) {
                array_push($lines, ...self::peopleOn($on, $old, $new, $was, $now, $words));
            }
        }

        return $lines;
    }

    /** @return list<array{what: string, was: ?string, now: ?string, date: string}> who is on the list of that date and not of the series, or not any more */
    private static function peopleOn(string $on, DateAsPlanned $old, DateAsPlanned $new, Meeting $was, Meeting $now, LetterWords $words): array
    {
        $names = static function (iterable $people): array {
            $names = [];
            foreach ($people as $asked) {
                $names[$asked->person_id] = $asked->person->called();
            }

            return $names;
        };
        [$before, $after] = [$names($old->people), $names($new->people)];
        $come = array_diff_key($after, $before, array_diff_key($names($now->attendees), $names($was->attendees)));
        $gone = array_diff_key($before, $after, array_diff_key($names($was->attendees), $names($now->attendees)));

        return [
            ...($come === [] ? [] : [['what' => 'date_people', 'date' => $on, 'was' => null, 'now' => $words->language->listed(array_values($come))]]),
            ...($gone === [] ? [] : [['what' => 'date_people', 'date' => $on, 'was' => $words->language->listed(array_values($gone)), 'now' => null]]),
        ];
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
    private function date(int $wall, Meeting $meeting, ?Person $reader, LetterWords $words): string
    {
        [$at, $zone] = $this->onClock($wall, $meeting, $reader);

        return $zone === null ? $words->language->weekdayAndDate($at) : $words->dateAndPlace($at, $zone);
    }

    /** @return array{WallTime, ?string} what the reader's clock shows, and of which zone it is; null for a day */
    private function onClock(int $wall, Meeting $meeting, ?Person $reader): array
    {
        if ($meeting->all_day) {
            return [WallTime::ofSeconds($wall), null];
        }
        $moment = $this->zones->zone($meeting->zone)->toUtc($wall);
        $zone = ($reader === null ? null : $this->clocks->of($reader)) ?? $this->zones->zone($meeting->zone);

        return [WallTime::ofSeconds($zone->toWall($moment)), $zone->idAt($moment)];
    }

    private static function place(Meeting $meeting): ?string
    {
        return $meeting->join_mode->needsPlace() ? $meeting->place : null;
    }

    private static function kit(MeetingAsTold $told): ?GivenKit
    {
        return $told->meeting->join_mode->hasKit() && $told->meeting->kit !== null ? GivenKit::under($told->meeting->kit, $told->room) : null;
    }

    private static function link(MeetingAsTold $told): ?string
    {
        return $told->meeting->join_mode->hasLink() ? self::kit($told)?->link : null;
    }

    private static function sees(Meeting $meeting, LetterWords $words): string
    {
        return $words->say(HidePeople::from($meeting) ? 'sees_nobody' : 'sees_all');
    }

    private static function agenda(Meeting $meeting): string
    {
        return $meeting->agenda->map(static fn(AgendaItem $i): string => $i->inWords(Language::english()->length(...)))->implode('; ');
    }

    private static function links(Meeting $meeting): string
    {
        return implode('; ', array_map(static fn(array $l): string => trim($l['label'] . ' ' . $l['url']), $meeting->links));
    }

    /** @return list<array{what: string, was: ?string, now: ?string}> */
    private static function people(Meeting $was, Meeting $now, LetterWords $words): array
    {
        $names = static fn(Meeting $of): array => $of->attendees->mapWithKeys(static fn(Attendee $a): array => [$a->person_id => $a->person->called()])->all();
        [$old, $new] = [$names($was), $names($now)];
        $gone = array_diff_key($old, $new);
        $come = array_diff_key($new, $old);

        return [
            ...($come === [] ? [] : [['what' => 'people_new', 'was' => null, 'now' => $words->language->listed(array_values($come))]]),
            ...($gone === [] ? [] : [['what' => 'people_gone', 'was' => $words->language->listed(array_values($gone)), 'now' => null]]),
        ];
    }

    /** @return list<array{what: string, was: ?string, now: ?string}> of one person, or of everybody */
    private static function roles(Meeting $was, Meeting $now, ?Person $reader, LetterWords $words): array
    {
        $roles = $was->attendees->mapWithKeys(static fn(Attendee $a): array => [$a->person_id => $a->role])->all();
        $lines = [];
        foreach ($now->attendees as $attendee) {
            $old = $roles[$attendee->person_id] ?? null;
            if ($old !== null && $old !== $attendee->role && ($reader === null || $reader->id === $attendee->person_id)) {
                $say = static fn(string $role): string => ($reader === null ? $attendee->person->called() . ': ' : '') . $words->say("role_$role");
                $lines[] = ['what' => 'role', 'was' => $say($old->value), 'now' => $say($attendee->role->value)];
            }
        }

        return $lines;
    }
}

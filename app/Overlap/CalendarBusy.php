<?php

declare(strict_types=1);

namespace App\Overlap;

use App\HouseRules\HouseRules;
use App\People\Calendar;
use App\People\Life;
use App\People\ManyIds;
use App\People\PackedBusyTimes;
use App\People\PersonKind;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use PDO;
use Syndex\Core\Overlap\Busy;
use Syndex\Core\Overlap\BusyKind;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\PackedStretches;

/** What people have in their own calendars, and whether anything is known of those at all. */
final readonly class CalendarBusy
{
    private const AT_ONCE = 1000;

    public function __construct(private HouseRules $rules) {}

    /**
     * @param  list<string>  $personIds
     * @param  bool  $named  with titles, where people show them
     * @param  ?array<string, KnownCalendar>  $calendars  theirs, if they have been asked for already
     * @return array<string, list<Busy>> by person, in order of start
     */
    public function of(array $personIds, IntervalSet $windows, bool $named = true, ?array $calendars = null): array
    {
        if ($personIds === [] || $windows->isEmpty()) {
            return [];
        }
        $from = $windows->intervals[0]->start;
        $to = $windows->intervals[count($windows->intervals) - 1]->end;
        $isOne = count($windows->intervals) === 1;
        $label = __('people.busy');
        $busy = [];
        [$packed, $rest] = self::packed($personIds, $calendars ?? $this->calendars($personIds), $named);
        foreach ($packed as $personId => $octets) {
            $stretches = PackedStretches::within($octets, $from, $to);
            for ($at = 0, $count = count($stretches); $at < $count; $at += 3) {
                $interval = Interval::between($stretches[$at], $stretches[$at + 1]);
                if ($isOne || $windows->overlaps($interval)) {
                    $busy[$personId][] = new Busy($interval, BusyKind::marked($stretches[$at + 2]), $label);
                }
            }
        }

        return $busy + $this->rows($rest, $windows, $named);
    }

    /**
     * Row by row: where titles are to be told, or nothing is packed yet.
     *
     * @param  list<string>  $personIds
     * @return array<string, list<Busy>>
     */
    private function rows(array $personIds, IntervalSet $windows, bool $named): array
    {
        $from = gmdate('Y-m-d H:i:s', $windows->intervals[0]->start);
        $to = gmdate('Y-m-d H:i:s', $windows->intervals[count($windows->intervals) - 1]->end);
        $busy = [];
        $label = __('people.busy');
        $isOne = count($windows->intervals) === 1;
        // An index holds all that is asked for, unless titles are; the rows of each come in its order, and to ask for that costs twice as much.
        $title = $named ? 'title' : 'null';
        foreach (array_chunk($personIds, self::AT_ONCE) as $ids) {
            $statement = DB::connection()->getPdo()->prepare("select person_id, unix_timestamp(starts_at), unix_timestamp(ends_at), kind, $title from busy_times where person_id in (" . implode(', ', array_fill(0, count($ids), '?')) . ') and starts_at < ? and ends_at > ?');
            $statement->execute([...$ids, $to, $from]);
            while (is_array($row = $statement->fetch(PDO::FETCH_NUM))) {
                $interval = Interval::between((int) $row[1], (int) $row[2]);
                if ($isOne || $windows->overlaps($interval)) {
                    $busy[(string) $row[0]][] = new Busy($interval, BusyKind::from((string) $row[3]), $row[4] === null ? $label : (string) $row[4]);
                }
            }
        }

        return array_map(self::inOrder(...), $busy);
    }

    /**
     * @param  list<Busy>  $busy
     * @return list<Busy>
     */
    private static function inOrder(array $busy): array
    {
        for ($at = 1, $count = count($busy); $at < $count; $at++) {
            if ($busy[$at]->interval->start < $busy[$at - 1]->interval->start) {
                usort($busy, static fn(Busy $a, Busy $b): int => [$a->interval->start, $a->interval->end] <=> [$b->interval->start, $b->interval->end]);

                break;
            }
        }

        return $busy;
    }

    /**
     * What some people have for sure, as bare numbers: of thousands, of whom no more is asked than how many are busy.
     *
     * @param  list<string>  $personIds
     * @param  array<string, KnownCalendar>  $calendars  theirs
     * @return array<string, list<int>> by person: starts and ends by turns, in order, none touching another
     */
    public function pairs(array $personIds, Interval $window, array $calendars): array
    {
        $perhaps = BusyKind::Tentative->mark();
        $pairs = [];
        [$packed, $rest] = self::packed($personIds, $calendars, false);
        foreach ($packed as $personId => $octets) {
            $pairs[$personId] = PackedStretches::pairsOf(PackedStretches::within($octets, $window->start, $window->end), $perhaps);
        }
        foreach ($this->rows($rest, IntervalSet::of([$window]), false) as $personId => $busy) {
            $pairs[$personId] = PackedStretches::pairsOf(array_merge(...array_map(static fn(Busy $b): array => [$b->interval->start, $b->interval->end, $b->kind->mark()], $busy)), $perhaps);
        }

        return $pairs;
    }

    /**
     * @param  list<string>  $personIds
     * @param  array<string, KnownCalendar>  $calendars
     * @return array{array<string, string>, list<string>} octets by person; who is read row by row
     */
    private static function packed(array $personIds, array $calendars, bool $named): array
    {
        $ids = [];
        foreach ($personIds as $personId) {
            if (isset($calendars[$personId])) {
                $ids[$personId] = $calendars[$personId]->id;
            }
        }
        $found = PackedBusyTimes::of(array_values($named ? array_filter($ids, static fn(string $personId): bool => !$calendars[$personId]->showsTitles, ARRAY_FILTER_USE_KEY) : $ids));
        $packed = $rest = [];
        foreach ($ids as $personId => $id) {
            if (isset($found[$id])) {
                $packed[$personId] = $found[$id];
            } else {
                $rest[] = (string) $personId;
            }
        }

        return [$packed, $rest];
    }

    /**
     * Of whom nothing found means free: colleagues whose calendar has been read of late, and those without one where the house
     * says that what is planned here is all they have.
     *
     * @param  array<string, Life>  $lives  by person
     * @param  array<string, KnownCalendar>  $calendars  by person
     * @return array<string, bool> by person
     */
    public function known(array $lives, array $calendars): array
    {
        $known = [];
        $isAll = $this->rules->plannedHereIsAll();
        foreach ($lives as $personId => $life) {
            $known[$personId] = isset($calendars[$personId]) ? $calendars[$personId]->isKnown : $life->kind === PersonKind::Colleague && $isAll;
        }

        return $known;
    }

    /**
     * @param  list<string>  $personIds
     * @return array<string, KnownCalendar> by person
     */
    public function calendars(array $personIds): array
    {
        $found = [];
        $moments = [];
        if ($personIds === []) {
            return [];
        }
        $asked = array_flip($personIds);
        [$some, $bound] = ManyIds::in('person_id', $personIds);
        $statement = DB::connection()->getPdo()->prepare("select id, person_id, kind, state, read_at, shows_titles from calendars where $some");
        $statement->execute($bound);
        while (is_array($row = $statement->fetch(PDO::FETCH_NUM))) {
            [$id, $personId, $kind, $state, $read, $showsTitles] = $row;
            if (!isset($asked[$personId])) {
                continue;
            }
            if (!isset($moments["$kind $read"])) {
                $readAt = $read === null ? null : CarbonImmutable::parse((string) $read, 'UTC');
                $moments["$kind $read"] = [$readAt, Calendar::isKnownOf((string) $kind, $readAt)];
            }
            $found[(string) $personId] = new KnownCalendar((int) $id, (string) $personId, $kind === 'feed' ? 'feed' : 'file', (string) $state, $moments["$kind $read"][0], $moments["$kind $read"][1], (bool) $showsTitles);
        }

        return $found;
    }

    /**
     * How old it is what is known: the oldest reading, and who could not be read.
     *
     * @param  array<string, KnownCalendar>  $calendars
     * @return array{count: int, oldest: ?CarbonImmutable, failing: list<string>, stale: list<string>}
     */
    public static function age(array $calendars): array
    {
        $read = array_filter(array_map(static fn(KnownCalendar $c): ?CarbonImmutable => $c->kind === 'feed' ? $c->readAt : null, $calendars));

        return [
            'count' => count($calendars),
            'oldest' => $read === [] ? null : min($read),
            'failing' => array_values(array_map(static fn(KnownCalendar $c): string => $c->personId, array_filter($calendars, static fn(KnownCalendar $c): bool => $c->state === 'failing'))),
            'stale' => array_values(array_map(static fn(KnownCalendar $c): string => $c->personId, array_filter($calendars, static fn(KnownCalendar $c): bool => !$c->isKnown))),
        ];
    }
}

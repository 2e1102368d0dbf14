<?php

declare(strict_types=1);

namespace App\Overlap;

use App\HouseRules\HouseRules;
use App\People\Calendar;
use App\People\Person;
use App\People\PersonKind;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use PDO;
use Syndex\Core\Overlap\Busy;
use Syndex\Core\Overlap\BusyKind;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;

/** What people have in their own calendars, and whether anything is known of those at all. */
final readonly class CalendarBusy
{
    private const AT_ONCE = 1000;

    public function __construct(private HouseRules $rules) {}

    /**
     * @param  list<string>  $personIds
     * @param  bool  $named  with titles, where people show them
     * @return array<string, list<Busy>> by person, in order of start
     */
    public function of(array $personIds, IntervalSet $windows, bool $named = true): array
    {
        if ($personIds === [] || $windows->isEmpty()) {
            return [];
        }
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
     * Of whom nothing found means free: colleagues whose calendar has been read of late, and those without one where the house
     * says that what is planned here is all they have.
     *
     * @param  iterable<Person>  $people
     * @param  array<string, Calendar>  $calendars  by person
     * @return array<string, bool> by person
     */
    public function known(iterable $people, array $calendars): array
    {
        $known = [];
        foreach ($people as $person) {
            $calendar = $calendars[$person->id] ?? null;
            $known[$person->id] = $calendar === null ? $person->kind === PersonKind::Colleague && $this->rules->plannedHereIsAll() : $calendar->isKnown();
        }

        return $known;
    }

    /**
     * @param  list<string>  $personIds
     * @return array<string, Calendar> by person
     */
    public function calendars(array $personIds): array
    {
        $found = [];
        foreach (array_chunk($personIds, self::AT_ONCE) as $ids) {
            foreach (Calendar::query()->whereIn('person_id', $ids)->get(['id', 'person_id', 'kind', 'state', 'read_at']) as $calendar) {
                $found[$calendar->person_id] = $calendar;
            }
        }

        return $found;
    }

    /**
     * How old it is what is known: the oldest reading, and who could not be read.
     *
     * @param  array<string, Calendar>  $calendars
     * @return array{count: int, oldest: ?CarbonImmutable, failing: list<string>, stale: list<string>}
     */
    public static function age(array $calendars): array
    {
        $read = array_filter(array_map(static fn(Calendar $c): ?CarbonImmutable => $c->kind === 'feed' ? $c->read_at : null, $calendars));

        return [
            'count' => count($calendars),
            'oldest' => $read === [] ? null : min($read),
            'failing' => array_values(array_map(static fn(Calendar $c): string => $c->person_id, array_filter($calendars, static fn(Calendar $c): bool => $c->state === 'failing'))),
            'stale' => array_values(array_map(static fn(Calendar $c): string => $c->person_id, array_filter($calendars, static fn(Calendar $c): bool => !$c->isKnown()))),
        ];
    }
}

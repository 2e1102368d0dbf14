<?php

declare(strict_types=1);

namespace App\Overlap;

use App\People\Absence;
use App\People\Person;
use App\Planning\Sheet;
use Illuminate\Support\Collection;
use Syndex\Core\Overlap\BusyKind;
use Syndex\Core\Overlap\DateClash;
use Syndex\Core\Overlap\FoundTime;
use Syndex\Core\Overlap\FoundTimes;
use Syndex\Core\Overlap\Plan;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\WallTime;

/** Who could come in place of somebody who is busy: whoever covers for them, if they are free then and not asked already. */
final readonly class StandIns
{
    public function __construct(private Occupancy $occupancy, private Absences $absences, private CalendarBusy $calendars) {}

    /** @return \Closure(string, int): ?Person by who is busy and a start on the anchor's clock */
    public function of(Sheet $sheet, Plan $plan, FoundTimes $found, ?string $meetingId): \Closure
    {
        $clashes = array_merge(...array_map(static fn(FoundTime $t): array => array_values($t->clashes), [$found->present, ...$found->held, ...$found->nearly]));
        $busy = array_values(array_unique(array_merge([], ...array_map(static fn(DateClash $c): array => $c->busy, $clashes))));
        $slot = static fn(int $wall): Interval => Interval::lasting($plan->anchor->toUtc($wall), $plan->durationMinutes);
        $slots = IntervalSet::of(array_map(static fn(DateClash $c): Interval => $slot($c->wall), $clashes));
        if ($busy === []) {
            return static fn(): null => null;
        }
        $people = Person::query()->with('standIn')->whereIn('id', $busy)->get()->keyBy('id');
        $absences = $this->absences->during($busy, Interval::between($slots->intervals[0]->start, $slots->intervals[count($slots->intervals) - 1]->end));
        $asked = array_fill_keys(array_column($sheet->attendees, 'personId'), true);
        /** @var Collection<string, Person> $able */
        $able = $people->map(static fn(Person $p): ?Person => $p->standIn)->concat($absences->map(static fn(Absence $a): ?Person => $a->standIn))->filter(static fn(?Person $p): bool => $p !== null && !isset($asked[$p->id]) && $p->left_at === null)->keyBy('id');
        $taken = [];
        $ids = array_values($able->keys()->all());
        foreach ([$this->occupancy->of($ids, $slots, $meetingId), $this->absences->of($able->map(static fn(Person $p): ?string => $p->zone)->all(), $slots), $this->calendars->of($ids, $slots, false)] as $known) {
            foreach ($known as $id => $stretches) {
                foreach ($stretches as $one) {
                    // Who perhaps has something is free, as on the list itself.
                    if ($one->kind !== BusyKind::Tentative) {
                        $taken[$id][] = $one->interval;
                    }
                }
            }
        }
        $taken = array_map(IntervalSet::of(...), $taken);

        return static function (string $id, int $wall) use ($people, $absences, $able, $taken, $slot): ?Person {
            $day = WallTime::ofSeconds($wall)->formatDate();
            $away = $absences->first(static fn(Absence $a): bool => $a->person_id === $id && $a->from_on->format('Y-m-d') <= $day && $day <= $a->until_on->format('Y-m-d'));
            // Who covers an absence was chosen for it.
            $standIn = $away === null ? $people->get($id)?->standIn : $away->standIn;

            return $standIn !== null && $able->has($standIn->id) && !($taken[$standIn->id] ?? IntervalSet::of([]))->overlaps($slot($wall)) ? $standIn : null;
        };
    }
}

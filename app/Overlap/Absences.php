<?php

declare(strict_types=1);

namespace App\Overlap;

use App\People\Absence;
use App\People\AwayDays;
use App\People\Person;
use Illuminate\Support\Collection;
use Syndex\Core\Overlap\Busy;
use Syndex\Core\Overlap\BusyKind;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;

/** Who is away when: whole days on each one's own clock. */
final readonly class Absences
{
    private const A_DAY = 86400;

    private const FEW = 500;

    public function __construct(private AwayDays $days) {}

    /**
     * @param  list<string>  $personIds
     * @return Collection<int, Absence> those that reach into a stretch, with who covers
     */
    public function during(array $personIds, Interval $stretch): Collection
    {
        // A day to spare at both ends, since days are not those of UTC.
        $found = Absence::query()->where('until_on', '>=', gmdate('Y-m-d', $stretch->start - self::A_DAY))->where('from_on', '<=', gmdate('Y-m-d', $stretch->end + self::A_DAY))->orderBy('from_on')->orderBy('id');
        if (count($personIds) <= self::FEW) {
            return $found->with('standIn')->whereIn('person_id', $personIds)->get();
        }
        // Of thousands: whoever is away is found by the days, and then it is seen who of them is asked about.
        $asked = array_flip($personIds);

        return $found->get()->filter(static fn(Absence $a): bool => isset($asked[$a->person_id]))->values()->load('standIn');
    }

    /**
     * @param  array<string, ?string>  $homes  zone by person
     * @return array<string, list<Busy>> by person, in order of start
     */
    public function of(array $homes, IntervalSet $windows): array
    {
        if ($windows->isEmpty() || $homes === []) {
            return [];
        }
        $busy = [];
        foreach ($this->during(array_map(strval(...), array_keys($homes)), Interval::between($windows->intervals[0]->start, $windows->intervals[count($windows->intervals) - 1]->end)) as $absence) {
            $busy[$absence->person_id][] = new Busy(
                $this->days->of($absence, $homes[$absence->person_id] ?? null),
                BusyKind::Away,
                $absence->standIn === null ? __('people.away') : __('people.away_covered', ['name' => $absence->standIn->called()]),
            );
        }

        return $busy;
    }

    /** From midnight to midnight on the person's own clock. */
    public function interval(Absence $absence, ?Person $person): Interval
    {
        return $this->days->of($absence, $person?->zone);
    }
}

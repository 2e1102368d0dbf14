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

    public function __construct(private AwayDays $days) {}

    /**
     * @param  Collection<string, Person>  $people  by their id
     * @return Collection<int, Absence> those that reach into a stretch, with who covers
     */
    public function during(Collection $people, Interval $stretch): Collection
    {
        // A day to spare at both ends, since days are not those of UTC.
        return Absence::query()->with('standIn')->whereIn('person_id', $people->keys())
            ->where('until_on', '>=', gmdate('Y-m-d', $stretch->start - self::A_DAY))->where('from_on', '<=', gmdate('Y-m-d', $stretch->end + self::A_DAY))
            ->orderBy('from_on')->orderBy('id')->get();
    }

    /**
     * @param  Collection<string, Person>  $people  by their id
     * @return array<string, list<Busy>> by person, in order of start
     */
    public function of(Collection $people, IntervalSet $windows): array
    {
        if ($windows->isEmpty() || $people->isEmpty()) {
            return [];
        }
        $busy = [];
        foreach ($this->during($people, Interval::between($windows->intervals[0]->start, $windows->intervals[count($windows->intervals) - 1]->end)) as $absence) {
            $busy[$absence->person_id][] = new Busy(
                $this->interval($absence, $people->get($absence->person_id)),
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

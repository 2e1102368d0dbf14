<?php

declare(strict_types=1);

namespace App\Overlap;

use App\People\Person;
use App\People\PersonResource;
use Illuminate\Http\Request;
use Syndex\Core\Overlap\DateClash;
use Syndex\Core\Overlap\FoundRota;
use Syndex\Core\Overlap\FoundTime;
use Syndex\Core\Overlap\FoundTimes;
use Syndex\Core\Overlap\Opening;
use Syndex\Core\Overlap\Participant;
use Syndex\Core\Overlap\Plan;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;

/** Times as they go over the wire: people by their place in one list. */
final readonly class TimesResource
{
    /** @var array<string, int> */
    private array $at;

    /** @var array<string, ?Zone> by their key */
    private array $groups;

    /** @var list<string> the key of each person's */
    private array $groupOf;

    /**
     * @param  list<Participant>  $people
     * @param  \Closure(string, int): ?Person  $standIn
     */
    public function __construct(private Plan $plan, private array $people, private \Closure $standIn)
    {
        $this->at = array_flip(array_map(static fn(Participant $p): string => $p->id, $people));
        $groups = $groupOf = [];
        foreach ($people as $person) {
            $groupOf[] = $key = $person->zone?->key() ?? '';
            $groups[$key] ??= $person->zone;
        }
        [$this->groups, $this->groupOf] = [$groups, $groupOf];
    }

    /** @return array<string, mixed> */
    public function of(FoundTimes $found, ?FoundRota $rota): array
    {
        return [
            'people' => array_map(static fn(Participant $p): string => $p->id, $this->people),
            'required' => array_map(static fn(Participant $p): bool => $p->required, $this->people),
            'dates' => $this->plan->dates->count(),
            'present' => $this->time($found->present),
            'held' => array_map($this->time(...), $found->held),
            'nearly' => array_map($this->time(...), $found->nearly),
            'looked' => $found->looked,
            'holding' => $found->holding,
            'openings' => array_map(fn(Opening $o): array => ['times' => $o->times, 'without' => $o->without === null ? null : $this->at[$o->without], 'minutes' => $o->minutes], $found->openings),
            'rota' => $rota === null ? null : [
                'times' => array_map(static fn(int $minute): string => sprintf('%02d:%02d', intdiv($minute, 60), $minute % 60), $rota->times),
                'turns' => $rota->turns,
                'shifts' => $rota->shiftMinutes,
                'burden' => $this->burden($rota->burden),
                'busy' => array_map(fn(array $ids, int $index): array => ['index' => $index, 'people' => $this->places($ids)], $rota->busy, array_keys($rota->busy)),
                'weighed' => $rota->weighed,
            ],
        ];
    }

    /** @return array<string, mixed> */
    private function time(FoundTime $time): array
    {
        return [
            'shiftMinutes' => $time->shiftMinutes,
            'wall' => WallTime::ofSeconds($time->wall)->format(),
            'clashDates' => $time->clashDates,
            'offHours' => $time->offHours,
            'optionalBusy' => $time->optionalBusy,
            'offMinutes' => $time->offMinutes,
            'unwished' => $time->unwished,
            'clashes' => array_map($this->clash(...), $time->clashes, array_keys($time->clashes)),
            'perhaps' => $this->counted($time->perhaps),
            'noPause' => $this->counted($time->noPause),
            'worse' => $this->places($time->worse),
            'burden' => $this->burden($time->burden),
            'locals' => $this->locals($time->wall),
            'shorterTo' => $time->shorterTo,
        ];
    }

    /** @return array<string, mixed> */
    private function clash(DateClash $clash, int $index): array
    {
        $standIn = count($clash->busy) === 1 ? ($this->standIn)($clash->busy[0], $clash->wall) : null;

        return [
            'index' => $index,
            'wall' => WallTime::ofSeconds($clash->wall)->format(),
            'people' => $this->places($clash->busy),
            'away' => $this->places($clash->away),
            'moveTo' => $clash->moveTo === null ? null : WallTime::ofSeconds($clash->moveTo)->format(),
            'couldFrom' => $clash->couldFrom === null ? null : WallTime::ofSeconds($clash->couldFrom)->format(),
            'standIn' => $standIn === null ? null : (new PersonResource($standIn))->toArray(Request::create('/')),
        ];
    }

    /**
     * @param  list<string>  $ids
     * @return list<int>
     */
    private function places(array $ids): array
    {
        return array_map(fn(string $id): int => $this->at[$id], $ids);
    }

    /**
     * @param  array<string, int>  $dates  by person
     * @return list<array{int, int}> person, dates
     */
    private function counted(array $dates): array
    {
        return array_map(fn(string|int $id, int $count): array => [$this->at[$id], $count], array_keys($dates), $dates);
    }

    /** @return list<?string> what each one's clock shows at the first date, in the order of the people */
    private function locals(int $wall): array
    {
        $start = $this->plan->anchor->toUtc($wall);

        // Each clock once: of thousands of people few have one that nobody else has.
        $clocks = [];
        foreach ($this->groups as $group => $zone) {
            $clocks[$group] = $zone === null ? null : WallTime::ofSeconds($zone->toWall($start))->format();
        }

        return array_map(static fn(string $group): ?string => $clocks[$group], $this->groupOf);
    }

    /**
     * @param  array<string, array{int, int}>  $burden
     * @return list<array{int, int}> in the order of the people: dates at night, dates outside hours
     */
    private function burden(array $burden): array
    {
        return array_map(static fn(Participant $p): array => $burden[$p->id], $this->people);
    }
}

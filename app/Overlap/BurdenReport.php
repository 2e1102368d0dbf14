<?php

declare(strict_types=1);

namespace App\Overlap;

use App\People\Clocks;
use App\People\Hours;
use App\People\Person;
use App\People\PersonKind;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Syndex\Core\Overlap\Burden;
use Syndex\Core\Overlap\Busy;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;

/** Over all meetings of a period: which colleague sits outside their hours how often, how long and how far. */
final readonly class BurdenReport
{
    private const PAGE = 50;

    private const AT_ONCE = 1000;

    public function __construct(private Occupancy $occupancy, private Clocks $clocks, private Hours $hours) {}

    /**
     * @param  ?string  $teamId  only who is in this team itself
     * @return array{rows: list<array<string, mixed>>, total: int, page: int, pages: int, people: int, unplaced: int}
     */
    public function of(Interval $period, ?string $teamId, int $page): array
    {
        $rows = [];
        $people = $unplaced = 0;
        $windows = IntervalSet::of([$period]);
        Person::query()->with('journeys')->where('kind', PersonKind::Colleague)->whereNull('left_at')
            ->when($teamId !== null, static fn(Builder $q) => $q->whereIn('id', DB::table('team_members')->select('person_id')->where('team_id', $teamId)))
            ->chunkById(self::AT_ONCE, function ($some) use (&$rows, &$people, &$unplaced, $windows, $period): void {
                $busy = $this->occupancy->of(array_values(array_map(strval(...), $some->modelKeys())), $windows, null);
                foreach ($some as $person) {
                    $people++;
                    $zone = $this->clocks->of($person);
                    $unplaced += $zone === null ? 1 : 0;
                    // What began before belongs to the period before.
                    $meetings = array_values(array_filter(array_map(static fn(Busy $b): Interval => $b->interval, $busy[$person->id] ?? []), static fn(Interval $i): bool => $period->contains($i->start)));
                    if ($zone === null || $meetings === []) {
                        continue;
                    }
                    $burden = Burden::of($meetings, $this->hours->of($person), $zone);
                    $rows[] = [
                        'id' => $person->id,
                        'name' => $person->called(),
                        'city' => PlaceName::of($zone->id),
                        'meetings' => $burden->meetings,
                        'nights' => $burden->nights,
                        'outside' => $burden->outside,
                        'minutes' => $burden->minutes,
                        'farthest' => $burden->farthest,
                        'farthestLocal' => $burden->farthestAt === null ? null : WallTime::ofSeconds($zone->toWall($burden->farthestAt))->format(),
                    ];
                }
            });
        usort($rows, static fn(array $a, array $b): int => [$b['nights'], $b['outside'], $b['minutes'], $a['name'], $a['id']] <=> [$a['nights'], $a['outside'], $a['minutes'], $b['name'], $b['id']]);
        $pages = max(1, intdiv(count($rows) + self::PAGE - 1, self::PAGE));
        $page = min($page, $pages);

        return ['rows' => array_slice($rows, ($page - 1) * self::PAGE, self::PAGE), 'total' => count($rows), 'page' => $page, 'pages' => $pages, 'people' => $people, 'unplaced' => $unplaced];
    }
}

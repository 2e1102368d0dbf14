<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Support\Facades\DB;
use PDO;

/** Where and when many people live and work: what is the same for several is worked out once, and nobody is made a model. */
final readonly class Lives
{
    /** All that {@see Clocks} and {@see Hours} ask of somebody who is not on a journey, and when they want no meetings. */
    private const COLUMNS = ['kind', 'zone', 'hours', 'quiet_hours', 'country', 'region', 'keeps_holidays'];

    public function __construct(private Clocks $clocks, private Hours $hours) {}

    /**
     * @param  list<string>  $ids
     * @return array<string, Life> by person, of those there are
     */
    public function of(array $ids): array
    {
        if ($ids === []) {
            return [];
        }
        $lives = $known = [];
        $asked = array_flip($ids);
        [$some, $bound] = ManyIds::in('id', $ids);
        $statement = DB::connection()->getPdo()->prepare('select id, ' . implode(', ', self::COLUMNS) . " from people where $some");
        $statement->execute($bound);
        while (is_array($row = $statement->fetch(PDO::FETCH_NUM))) {
            $id = (string) array_shift($row);
            if (isset($asked[$id])) {
                $lives[$id] = $known[implode("\0", $row)] ??= $this->life((new Person())->setRawAttributes(array_combine(self::COLUMNS, $row))->setRelation('journeys', collect()));
            }
        }
        // Few are on their way, and each of them elsewhere.
        foreach (Person::query()->with('journeys')->whereIn('id', $this->travelling($asked))->get() as $person) {
            $lives[$person->id] = $this->life($person);
        }

        return $lives;
    }

    private function life(Person $person): Life
    {
        return new Life($person->kind, $person->zone, $this->clocks->of($person), $this->hours->of($person), $person->quietHours());
    }

    /**
     * @param  array<string, int>  $asked  by person
     * @return list<string>
     */
    private function travelling(array $asked): array
    {
        return array_values(array_filter(DB::table('journeys')->where('until_on', '>=', now()->subDays(2)->format('Y-m-d'))->distinct()->pluck('person_id')->map(strval(...))->all(), static fn(string $id): bool => isset($asked[$id])));
    }
}

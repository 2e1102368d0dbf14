<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

/** What all dates together come to for the people who are required. */
final readonly class Summary
{
    /**
     * @param  int  $unknown  of the required, those whose calendar nobody knows
     * @param  int  $free  dates on which none of the others is busy
     * @param  list<Times>  $busy
     * @param  list<Times>  $nights
     */
    private function __construct(public int $required, public int $unknown, public int $dates, public int $free, public array $busy, public array $nights) {}

    /**
     * @param  list<DateState>  $states
     * @param  list<Participant>  $people
     */
    public static function of(array $states, array $people): self
    {
        $required = array_filter($people, static fn(Participant $p): bool => $p->required);
        $busy = $nights = [];
        $free = 0;
        foreach ($states as $state) {
            $free += $state->free + $state->unknown === $state->required ? 1 : 0;
            foreach ($state->troubles as $standing) {
                if ($standing->required && $standing->clashes !== []) {
                    $busy[$standing->id] = ($busy[$standing->id] ?? 0) + 1;
                }
                if ($standing->required && $standing->light === Light::Night) {
                    $nights[$standing->id] = ($nights[$standing->id] ?? 0) + 1;
                }
            }
        }

        return new self(
            count($required),
            count(array_filter($required, static fn(Participant $p): bool => !$p->calendarKnown)),
            count($states),
            $free,
            self::times($busy),
            self::times($nights),
        );
    }

    /**
     * @param  array<string, int>  $counts
     * @return list<Times> the most often first
     */
    private static function times(array $counts): array
    {
        arsort($counts);

        return array_map(static fn(string $id, int $dates): Times => new Times($id, $dates), array_keys($counts), $counts);
    }
}

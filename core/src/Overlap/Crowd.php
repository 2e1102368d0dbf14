<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\WorkingHours;

/**
 * People grouped by where they are and when they work: whatever depends on nothing else is worked out once for each
 * group, not once for each person.
 */
final readonly class Crowd
{
    /**
     * @param list<Participant> $people
     * @param list<int> $groupOf group of each person, by their place in the list
     * @param list<Participant> $examples one person of each group
     */
    private function __construct(public array $people, public array $groupOf, public array $examples) {}

    /** @param list<Participant> $people */
    public static function of(array $people): self
    {
        $groups = $groupOf = $examples = [];
        /** @var \SplObjectStorage<WorkingHours, string> $names */
        $names = new \SplObjectStorage();
        foreach ($people as $person) {
            $key = ($person->zone?->key() ?? '') . ' ' . ($names[$person->hours] ??= $person->hours->key());
            if (!isset($groups[$key])) {
                $groups[$key] = count($examples);
                $examples[] = $person;
            }
            $groupOf[] = $groups[$key];
        }

        return new self($people, $groupOf, $examples);
    }

    /** @return list<int> how many people each group has */
    public function sizes(): array
    {
        $sizes = array_fill(0, count($this->examples), 0);
        foreach ($this->groupOf as $group) {
            $sizes[$group]++;
        }

        return array_values($sizes);
    }
}

<?php

declare(strict_types=1);

namespace Syndex\Core\Overlap;

use Syndex\Core\Time\WorkingHours;

/**
 * People grouped by where they are and when they work: whatever depends on nothing else is worked out once for each
 * group, not once for each person.
 *
 * @template T of Participant|SearchedPerson
 */
final readonly class Crowd
{
    /**
     * @param list<T> $people
     * @param list<int> $groupOf group of each person, by their place in the list
     * @param list<T> $examples one person of each group
     */
    private function __construct(public array $people, public array $groupOf, public array $examples) {}

    /**
     * @template S of Participant|SearchedPerson
     *
     * @param  list<S>  $people
     * @return self<S>
     */
    public static function of(array $people): self
    {
        $groups = $groupOf = $examples = [];
        /** @var \SplObjectStorage<WorkingHours, string> $names */
        $names = new \SplObjectStorage();
        foreach ($people as $person) {
            $key = ($person->zone?->key() ?? '') . ' ' . ($names[$person->hours] ??= $person->hours->key());
            if ($person instanceof Participant && $person->quiet !== null) {
                $key .= ' ' . $person->quiet->key();
            }
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
        return $this->counted(static fn(): bool => true);
    }

    /** @return list<int> how many required people each group has */
    public function required(): array
    {
        return $this->counted(static fn(Participant|SearchedPerson $p): bool => $p->required);
    }

    /**
     * @param  \Closure(Participant|SearchedPerson): bool  $counts
     * @return list<int>
     */
    private function counted(\Closure $counts): array
    {
        $sizes = array_fill(0, count($this->examples), 0);
        foreach ($this->groupOf as $place => $group) {
            $sizes[$group] += $counts($this->people[$place]) ? 1 : 0;
        }

        return array_values($sizes);
    }
}

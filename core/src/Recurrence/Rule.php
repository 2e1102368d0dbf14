<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

/**
 * A recurrence rule (RFC 5545 3.3.10, with SKIP of RFC 7529), already checked. Made by {@see RuleParser}.
 *
 * Lists are sorted and without repeats; an empty one means that the part is absent.
 */
final readonly class Rule
{
    /**
     * @param  list<int>  $seconds 0 to 60
     * @param  list<int>  $minutes
     * @param  list<int>  $hours
     * @param  list<WeekdayPick>  $days
     * @param  list<int>  $monthDays -31 to 31, none of them 0
     * @param  list<int>  $yearDays -366 to 366, none of them 0
     * @param  list<int>  $weeks -53 to 53, none of them 0
     * @param  list<int>  $months
     * @param  list<int>  $positions -366 to 366, none of them 0
     * @param  int  $weekStart 0 is Monday
     */
    public function __construct(
        public Frequency $frequency,
        public int $interval = 1,
        public ?int $count = null,
        public ?Until $until = null,
        public array $seconds = [],
        public array $minutes = [],
        public array $hours = [],
        public array $days = [],
        public array $monthDays = [],
        public array $yearDays = [],
        public array $weeks = [],
        public array $months = [],
        public array $positions = [],
        public int $weekStart = 0,
        public Skip $skip = Skip::Omit,
    ) {}

    public function withCount(?int $count): self
    {
        return $this->ending($count, null);
    }

    public function withUntil(?Until $until): self
    {
        return $this->ending(null, $until);
    }

    /**
     * The same rule with some of its parts changed; a part that is left out stays.
     *
     * @param ?list<WeekdayPick> $days
     * @param ?list<int> $monthDays
     * @param ?list<int> $months
     * @param ?list<int> $positions
     */
    public function with(?Frequency $frequency = null, ?int $interval = null, ?array $days = null, ?array $monthDays = null, ?array $months = null, ?array $positions = null, ?int $weekStart = null, ?Skip $skip = null): self
    {
        return new self(
            $frequency ?? $this->frequency,
            $interval ?? $this->interval,
            $this->count,
            $this->until,
            $this->seconds,
            $this->minutes,
            $this->hours,
            $days ?? $this->days,
            $monthDays ?? $this->monthDays,
            $this->yearDays,
            $this->weeks,
            $months ?? $this->months,
            $positions ?? $this->positions,
            $weekStart ?? $this->weekStart,
            $skip ?? $this->skip,
        );
    }

    /** Without BYHOUR, BYMINUTE and BYSECOND. */
    public function withoutTimesOfDay(): self
    {
        return $this->atTimes([], [], []);
    }

    /**
     * @param list<int> $hours
     * @param list<int> $minutes
     * @param list<int> $seconds
     */
    public function atTimes(array $hours, array $minutes, array $seconds): self
    {
        return new self(
            $this->frequency,
            $this->interval,
            $this->count,
            $this->until,
            $seconds,
            $minutes,
            $hours,
            $this->days,
            $this->monthDays,
            $this->yearDays,
            $this->weeks,
            $this->months,
            $this->positions,
            $this->weekStart,
            $this->skip,
        );
    }

    public function isOpen(): bool
    {
        return $this->count === null && $this->until === null;
    }

    /** RFC 5545 text, parts in the order of its grammar; RSCALE only where SKIP needs it. */
    public function toText(): string
    {
        $parts = $this->skip === Skip::Omit ? [] : ['RSCALE=GREGORIAN'];
        $parts[] = 'FREQ=' . $this->frequency->value;
        if ($this->until !== null) {
            $parts[] = 'UNTIL=' . $this->until->toText();
        }
        if ($this->count !== null) {
            $parts[] = 'COUNT=' . $this->count;
        }
        if ($this->interval !== 1) {
            $parts[] = 'INTERVAL=' . $this->interval;
        }
        $lists = [
            'BYSECOND' => $this->seconds, 'BYMINUTE' => $this->minutes, 'BYHOUR' => $this->hours,
            'BYDAY' => array_map(static fn(WeekdayPick $p): string => $p->toText(), $this->days),
            'BYMONTHDAY' => $this->monthDays, 'BYYEARDAY' => $this->yearDays, 'BYWEEKNO' => $this->weeks,
            'BYMONTH' => $this->months, 'BYSETPOS' => $this->positions,
        ];
        foreach ($lists as $name => $list) {
            if ($list !== []) {
                $parts[] = $name . '=' . implode(',', $list);
            }
        }
        if ($this->weekStart !== 0) {
            $parts[] = 'WKST=' . WeekdayPick::every($this->weekStart)->toText();
        }
        if ($this->skip !== Skip::Omit) {
            $parts[] = 'SKIP=' . $this->skip->value;
        }

        return implode(';', $parts);
    }

    private function ending(?int $count, ?Until $until): self
    {
        return new self(
            $this->frequency,
            $this->interval,
            $count,
            $until,
            $this->seconds,
            $this->minutes,
            $this->hours,
            $this->days,
            $this->monthDays,
            $this->yearDays,
            $this->weeks,
            $this->months,
            $this->positions,
            $this->weekStart,
            $this->skip,
        );
    }
}

<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

/**
 * A recurrence rule (RFC 5545 3.3.10, with SKIP of RFC 7529), already checked.
 *
 * Lists are sorted and without repeats; an empty one means that the part is absent.
 */
final readonly class Rule
{
    /** COUNT, INTERVAL and all integers of the format end here (RFC 5545 3.3.8). */
    public const MOST_NUMBER = 2_147_483_647;

    /**
     * @param  list<int>  $seconds
     * @param  list<int>  $minutes
     * @param  list<int>  $hours
     * @param  list<WeekdayPick>  $days
     * @param  list<int>  $monthDays
     * @param  list<int>  $yearDays
     * @param  list<int>  $weeks
     * @param  list<int>  $months
     * @param  list<int>  $positions
     */
    private function __construct(
        public Frequency $frequency,
        public int $interval,
        public ?int $count,
        public ?Until $until,
        public array $seconds,
        public array $minutes,
        public array $hours,
        public array $days,
        public array $monthDays,
        public array $yearDays,
        public array $weeks,
        public array $months,
        public array $positions,
        public int $weekStart,
        public Skip $skip,
    ) {}

    /**
     * The one way to make a rule: what it is made of is checked, its lists put in order and freed of repeats.
     *
     * @param  list<int>  $seconds 0 to 60
     * @param  list<int>  $minutes 0 to 59
     * @param  list<int>  $hours 0 to 23
     * @param  list<WeekdayPick>  $days
     * @param  list<int>  $monthDays -31 to 31, none of them 0
     * @param  list<int>  $yearDays -366 to 366, none of them 0
     * @param  list<int>  $weeks -53 to 53, none of them 0
     * @param  list<int>  $months 1 to 12
     * @param  list<int>  $positions -366 to 366, none of them 0
     * @param  int  $weekStart 0 is Monday
     *
     * @throws InvalidRule naming the part that cannot be, alone or beside another
     */
    public static function of(
        Frequency $frequency,
        int $interval = 1,
        ?int $count = null,
        ?Until $until = null,
        array $seconds = [],
        array $minutes = [],
        array $hours = [],
        array $days = [],
        array $monthDays = [],
        array $yearDays = [],
        array $weeks = [],
        array $months = [],
        array $positions = [],
        int $weekStart = 0,
        Skip $skip = Skip::Omit,
    ): self {
        $rule = new self(
            $frequency,
            CheckRule::number('INTERVAL', $interval),
            $count === null ? null : CheckRule::number('COUNT', $count),
            $until,
            CheckRule::numbers('BYSECOND', $seconds, 0, 60),
            CheckRule::numbers('BYMINUTE', $minutes, 0, 59),
            CheckRule::numbers('BYHOUR', $hours, 0, 23),
            CheckRule::picks($days),
            CheckRule::signed('BYMONTHDAY', $monthDays, 31),
            CheckRule::signed('BYYEARDAY', $yearDays, 366),
            CheckRule::signed('BYWEEKNO', $weeks, 53),
            CheckRule::numbers('BYMONTH', $months, 1, 12),
            CheckRule::signed('BYSETPOS', $positions, 366),
            CheckRule::numbers('WKST', [$weekStart], 0, 6)[0],
            $skip,
        );
        CheckRule::together($rule);

        return $rule;
    }

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
     * @param ?list<int> $seconds
     * @param ?list<int> $minutes
     * @param ?list<int> $hours
     * @param ?list<WeekdayPick> $days
     * @param ?list<int> $monthDays
     * @param ?list<int> $yearDays
     * @param ?list<int> $months
     * @param ?list<int> $positions
     */
    public function with(?Frequency $frequency = null, ?int $interval = null, ?array $seconds = null, ?array $minutes = null, ?array $hours = null, ?array $days = null, ?array $monthDays = null, ?array $yearDays = null, ?array $months = null, ?array $positions = null, ?int $weekStart = null, ?Skip $skip = null): self
    {
        return self::of(
            $frequency ?? $this->frequency,
            $interval ?? $this->interval,
            $this->count,
            $this->until,
            $seconds ?? $this->seconds,
            $minutes ?? $this->minutes,
            $hours ?? $this->hours,
            $days ?? $this->days,
            $monthDays ?? $this->monthDays,
            $yearDays ?? $this->yearDays,
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
        return $this->with(seconds: [], minutes: [], hours: []);
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
        return self::of(
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

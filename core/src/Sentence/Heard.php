<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence;

use Syndex\Core\Recurrence\Skip;
use Syndex\Core\Recurrence\WeekdayPick;

/** What a reader of sentences has heard so far, whatever the language; each thing is said once at most. */
final class Heard
{
    /** 'minute', 'hour', 'day', 'week', 'month', 'year' */
    public ?string $unit = null;

    public int $interval = 1;

    /** "of every month" rather than "monthly": days named before it are days of it. */
    public bool $isOfUnit = false;

    /** @var list<int> weekdays, 0 is Monday */
    public array $days = [];

    /** Said so that it repeats: "every Tuesday", "Tuesdays", "Monday to Friday". */
    public bool $daysRepeat = false;

    /** "every second Tuesday": every other week, unless a month is named. */
    public bool $isEverySecond = false;

    /** @var list<WeekdayPick> "first Monday", "last Friday" */
    public array $numbered = [];

    /** @var list<int> "the last working day": which of a set of weekdays */
    public array $positions = [];

    /** @var list<int> that set */
    public array $positionDays = [];

    /** @var list<int> */
    public array $monthDays = [];

    /** @var list<int> "the 100th day", which may be one of a month or of a year */
    public array $countedDays = [];

    /** @var list<int> */
    public array $weeks = [];

    /** @var list<int> */
    public array $months = [];

    public ?Skip $skip = null;

    public ?int $weekStart = null;

    /** @var list<int> seconds of the day */
    public array $times = [];

    public ?HeardDate $date = null;

    /** "every 8 December" */
    public bool $isYearlyDate = false;

    public ?HeardDate $start = null;

    public ?HeardDate $until = null;

    public bool $isUntilEndOfMonth = false;

    public ?int $count = null;

    public bool $isOnce = false;

    public bool $isOpen = false;

    /** @var ?array{int, string} "for ten weeks": how many of which unit */
    public ?array $span = null;

    public ?int $minutes = null;

    public ?int $lengthInDays = null;

    public bool $isAllDay = false;

    /** The time of day was not said: the usual one stands in. */
    public bool $isUsualTime = false;

    public ?string $zone = null;

    /** "EST": which zone that is depends on the date */
    public ?string $zoneLetters = null;

    public bool $isFloating = false;

    /** 'morning', 'afternoon' or 'evening', which decides what "3:30" means */
    public ?string $partOfDay = null;

    /** @var list<int> "except Fridays" */
    public array $notDays = [];

    /** @var list<int> "except in August" */
    public array $notMonths = [];

    /** "quarterly": the months are named when the first date is known */
    public bool $isQuarterly = false;

    /** @var list<HeardDate> */
    public array $dropped = [];

    /** @var list<HeardDate> */
    public array $extra = [];

    /** @var list<string> the pieces of the text that meant something, in order */
    public array $pieces = [];

    /** @var array<string, string> the piece of the text in which each thing was heard, by the name of its property */
    private array $quotes = [];

    /** @param string $text the whole, for quoting */
    public function __construct(private readonly string $text) {}

    /**
     * Notes a piece of the text, and what was heard in it.
     *
     * @param  array<string, mixed>  $before  what had been heard until then, {@see known}
     */
    public function note(array $before, string $piece): void
    {
        $this->pieces[] = $piece;
        foreach ($this->known() as $part => $value) {
            if ($value !== $before[$part]) {
                $this->quotes[$part] ??= $piece;
            }
        }
    }

    /** @return array<string, mixed> */
    public function known(): array
    {
        /** @var array<string, mixed> $known */
        $known = get_object_vars($this);
        unset($known['quotes'], $known['pieces'], $known['text']);

        return $known;
    }

    /**
     * Why it makes no series.
     *
     * @param  list<string>  $parts  in which the reason lies, for quoting; none: the whole
     * @param  array<string, string>  $with
     */
    public function refused(string $reason, array $parts = [], array $with = []): NotUnderstood
    {
        $quotes = array_intersect_key($this->quotes, array_flip($parts));

        return NotUnderstood::of($quotes === [] ? $this->text : implode(' … ', array_filter($this->pieces, static fn(string $piece): bool => in_array($piece, $quotes, true))), $reason, $with);
    }

    public function hearUnit(string $unit, int $interval, string $quote): void
    {
        $this->once($this->unit === null, $quote);
        $isQuarterly = $unit === 'quarter' && $interval === 1;
        [$unit, $interval] = match ($unit) {
            'quarter' => ['month', 3 * $interval], 'fortnight' => ['week', 2 * $interval], default => [$unit, $interval],
        };
        $this->isQuarterly = $isQuarterly;
        $this->unit = $unit;
        $this->interval = $interval >= 1 ? $interval : throw NotUnderstood::of($quote, 'never');
    }

    /** @param list<int> $days */
    public function hearDays(array $days, bool $repeat, string $quote): void
    {
        $this->once($this->days === [], $quote);
        $this->days = $days;
        $this->daysRepeat = $repeat;
    }

    /**
     * @param  list<int>  $nths
     * @param  list<int>  $weekdays
     */
    public function hearNumbered(array $nths, array $weekdays, string $quote): void
    {
        foreach ($weekdays as $weekday) {
            foreach ($nths as $nth) {
                if (abs($nth) > 53) {
                    throw NotUnderstood::of($quote, 'no_such_week_of_year');
                }
                $this->numbered[] = WeekdayPick::nth($nth, $weekday);
            }
        }
    }

    /** @param list<int> $days */
    public function hearMonthDays(array $days, string $quote): void
    {
        if (max(0, ...array_map(abs(...), $days)) > 31) {
            throw NotUnderstood::of($quote, 'no_such_day_of_month');
        }
        $this->monthDays = self::sorted([...$this->monthDays, ...$days]);
    }

    /** @param list<int> $months */
    public function hearMonths(array $months, string $quote): void
    {
        $this->once($this->months === [], $quote);
        $this->months = self::sorted($months);
    }

    public function hearStart(HeardDate $date): void
    {
        $this->once($this->start === null, $date->quote);
        $this->start = $date;
    }

    public function hearUntil(HeardDate $date): void
    {
        $this->once($this->until === null, $date->quote);
        $this->until = $date;
    }

    public function hearMinutes(int $minutes, string $quote): void
    {
        $this->once($this->minutes === null, $quote);
        $this->minutes = $minutes >= 1 ? $minutes : throw NotUnderstood::of($quote, 'too_short');
    }

    public function hearZone(string $zone, string $quote): void
    {
        $this->once(($this->zone === null || $this->zone === $zone) && !$this->isFloating, $quote);
        $this->zone = $zone;
    }

    public function once(bool $isFirst, string $quote): void
    {
        if (!$isFirst) {
            throw NotUnderstood::of($quote, 'said_twice');
        }
    }

    /**
     * @param  list<int>  $numbers
     * @return list<int>
     */
    private static function sorted(array $numbers): array
    {
        $numbers = array_values(array_unique($numbers));
        sort($numbers);

        return $numbers;
    }
}

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

    public ?string $zone = null;

    public bool $isFloating = false;

    /** 'morning', 'afternoon' or 'evening', which decides what "3:30" means */
    public ?string $partOfDay = null;

    /** @var list<HeardDate> */
    public array $dropped = [];

    /** @var list<HeardDate> */
    public array $extra = [];

    /** @var list<string> the pieces of the text that meant something, in order */
    public array $pieces = [];
}

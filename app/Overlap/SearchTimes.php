<?php

declare(strict_types=1);

namespace App\Overlap;

use App\HouseRules\HouseRules;
use App\Planning\Sheet;
use Syndex\Core\Overlap\FoundTime;
use Syndex\Core\Overlap\FoundTimes;
use Syndex\Core\Overlap\Plan;
use Syndex\Core\Overlap\SeriesSearch;
use Syndex\Core\Overlap\Wishes;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;

/** Looks for times that suit a sheet better than the present one, with who pays for each, and for turns where none is fair. */
final readonly class SearchTimes
{
    /** Times that hold, and times that nearly do. */
    private const MOST = 4;

    /** Of a rota. */
    private const TURNS = 3;

    /** A single meeting is looked for on so many days before and after, a series on fewer than lie between its dates. */
    private const DAYS_BEFORE = 3;

    private const DAYS_AFTER = 10;

    private const WORKWEEK = [0, 1, 2, 3, 4];

    public function __construct(private SheetPeople $people, private HouseRules $rules, private StandIns $standIns) {}

    /**
     * @param  bool  $anyDay  Saturdays and Sundays too
     * @return array<string, mixed>
     */
    public function __invoke(Sheet $sheet, ?string $meetingId, bool $anyDay): array
    {
        $began = hrtime(true);
        $laid = SheetPlan::of($sheet);
        $plan = $laid->plan;
        [$from, $to] = self::days($plan);
        $wishes = $this->rules->wishes(now()->getTimestamp());
        [$people, $others] = $this->people->forSearch($sheet, self::looksAt($plan, $from, $to, $wishes), $meetingId, $laid->leftOut($sheet));
        $search = new SeriesSearch($plan, $people, $from, $to, $anyDay ? range(0, 6) : self::WORKWEEK, $wishes, $others);
        $found = $search->find(now()->getTimestamp(), self::MOST);
        $rota = self::isFair($found) || !$plan->dates->complete ? null : $search->rota($found, self::TURNS);

        return [
            ...(new TimesResource($plan, $people, $this->standIns->of($sheet, $plan, $found, $meetingId)))->of($found, $rota),
            'days' => [$from, $to],
            'anyDay' => $anyDay,
            'pauseMinutes' => $wishes->pauseMinutes,
            'milliseconds' => intdiv(hrtime(true) - $began, 1_000_000),
        ];
    }

    /** Whether some time keeps everybody required in their hours on every date. */
    private static function isFair(FoundTimes $found): bool
    {
        return array_filter([$found->present, ...$found->held], static fn(FoundTime $t): bool => $t->clashDates === 0 && $t->offHours === 0) !== [];
    }

    /** @return array{int, int} so many days before the present one and after it are looked at */
    private static function days(Plan $plan): array
    {
        $days = array_map(static fn(int $wall): int => Gregorian::floorDiv($wall, 86400), $plan->dates->walls);
        if (count($days) < 2) {
            return [-self::DAYS_BEFORE, self::DAYS_AFTER];
        }
        sort($days);
        $gap = 7;
        foreach (array_slice($days, 1) as $at => $day) {
            $gap = min($gap, $day - $days[$at]);
        }
        $reach = min(self::DAYS_BEFORE, max(0, intdiv($gap - 1, 2)));

        return [-$reach, $reach];
    }

    /** What a search can be changed by, with a day to spare for clocks. */
    private static function looksAt(Plan $plan, int $from, int $to, Wishes $wishes): IntervalSet
    {
        $before = (2 - $from) * 86400 + $wishes->pauseMinutes * 60;
        $after = ($to + 2) * 86400 + ($plan->durationMinutes + $wishes->pauseMinutes) * 60;

        return IntervalSet::of(array_map(static fn(int $start): Interval => Interval::between($start - $before, $start + $after), $plan->dates->starts));
    }
}

<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence;

use Syndex\Core\Recurrence\Frequency;
use Syndex\Core\Recurrence\NoDates;
use Syndex\Core\Recurrence\Repeats;
use Syndex\Core\Recurrence\Rule;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Recurrence\Skip;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Work;

/**
 * A language in which invitations are written: its dates, clocks, lengths, places and the plain sentence (written, not read).
 *
 * Names of days, months and places are CLDR's; patterns of dates stand in the language's own file, so that another ICU says the
 * same.
 */
final class Language
{
    public const TAGS = ['en', 'de', 'fr', 'es', 'pt', 'ja', 'ar'];

    /** Arabic with the digits that links, numbers and passcodes have. */
    private const LOCALES = ['ar' => 'ar@numbers=latn'];

    /** So many dates are named where there are no words for a rule. */
    private const NAMED = 6;

    private const MOST_CACHED = 400;

    /** @var array<string, self> */
    private static array $known = [];

    private readonly Catalogue $phrases;

    /** @var array<string, \IntlDateFormatter> */
    private array $formatters = [];

    /** @var array<string, string> */
    private array $said = [];

    /** @param value-of<self::TAGS> $tag */
    private function __construct(public readonly string $tag)
    {
        /** @var array<string, string> $patterns */
        $patterns = require __DIR__ . "/Languages/$tag.php";
        $this->phrases = new Catalogue($this->locale(), $patterns);
    }

    /** @param ?string $tag any BCP 47 tag */
    public static function of(?string $tag): ?self
    {
        $base = strtolower(explode('-', str_replace('_', '-', $tag ?? ''))[0]);

        return in_array($base, self::TAGS, true) ? self::$known[$base] ??= new self($base) : null;
    }

    public static function english(): self
    {
        return self::$known['en'] ??= new self('en');
    }

    public function locale(): string
    {
        return self::LOCALES[$this->tag] ?? $this->tag;
    }

    public function isRightToLeft(): bool
    {
        return $this->tag === 'ar';
    }

    public function date(WallTime $wall): string
    {
        return $this->formatted('date', $wall);
    }

    public function weekdayAndDate(WallTime $wall): string
    {
        return $this->formatted('weekday_date', $wall);
    }

    public function shortDate(WallTime $wall): string
    {
        return $this->formatted('short_date', $wall);
    }

    public function weekday(WallTime $wall): string
    {
        return $this->formatted('weekday', $wall);
    }

    public function clock(WallTime $wall): string
    {
        return $this->formatted($wall->seconds % 60 === 0 ? 'clock' : 'clock_seconds', $wall);
    }

    /** A zone by the city that stands for it, as the language calls it. */
    public function place(string $zoneId): string
    {
        return $this->said["place $zoneId"] ??= $this->placeOf($zoneId);
    }

    public function length(int $minutes): string
    {
        [$hours, $left] = [intdiv($minutes, 60), $minutes % 60];

        return match (true) {
            $minutes < 60, $minutes < 120 && $left !== 0 => $this->phrases->say('minutes', ['n' => $minutes]),
            $left === 0 => $this->phrases->say('hours', ['n' => $hours]),
            default => $this->phrases->say('hours_minutes', ['hours' => $hours, 'minutes' => $left]),
        };
    }

    public function days(int $days): string
    {
        return $this->phrases->say('all_day', ['n' => $days]);
    }

    /** @param list<string> $names */
    public function listed(array $names): string
    {
        if (count($names) < 2) {
            return $names[0] ?? '';
        }
        $last = array_pop($names);
        $said = array_shift($names);
        foreach ($names as $name) {
            $said = $this->phrases->say('list_middle', ['a' => $said, 'b' => $name]);
        }

        return $this->phrases->say($names === [] ? 'list_two' : 'list_end', ['a' => $said, 'b' => $last]);
    }

    /** When and how often; a rule for which there are no words is said by its first dates. */
    public function sentence(Series $series, int $minutes): string
    {
        $plain = $this->plain($series);
        $rule = $plain->rule;
        $repeats = $rule === null ? null : $this->repeats($plain, $rule);
        $with = [
            'time' => $this->clock($plain->start),
            'place' => $plain->zone === null ? '' : $this->place($plain->zone->id),
            'length' => $plain->allDay ? $this->days(intdiv($minutes, 1440)) : $this->length($minutes),
        ];
        if ($plain->rule === null && $plain->extra === []) {
            return $this->phrases->say($plain->allDay ? 'single_day' : 'single', [...$with, 'date' => $this->weekdayAndDate($plain->start)]);
        }
        if ($rule === null || $repeats === null) {
            return $this->byDates($plain, $with);
        }

        return $this->phrases->say($plain->allDay ? 'series_days' : 'series', [
            ...$with,
            'repeats' => $repeats,
            'start' => $this->date($plain->start),
            'end' => $rule->count !== null ? 'count' : ($rule->until !== null ? 'until' : 'open'),
            'count' => $rule->count ?? 0,
            'until' => $rule->until === null ? '' : $this->date($this->lastDay($plain)),
            'except' => $this->singles($plain, $plain->dropped),
            'also' => $this->singles($plain, $plain->extra),
            'has_except' => $plain->dropped === [] ? 'no' : 'yes',
            'has_also' => $plain->extra === [] ? 'no' : 'yes',
        ]);
    }

    /** @return list<string> */
    public function keys(): array
    {
        return $this->phrases->keys();
    }

    private function plain(Series $series): Series
    {
        if ($series->rule === null) {
            return $series;
        }
        try {
            $begun = $series->startedOnRule(Work::usual());
        } catch (NoDates) {
            return $series;
        }

        return $begun->withRule(PlainRule::of($series->rule, $begun->start));
    }

    /** @param array<string, string> $with */
    private function byDates(Series $series, array $with): string
    {
        $found = $series->expand(Work::usual(), limit: self::NAMED + 1);
        $walls = array_slice($found->walls, 0, self::NAMED);
        $times = array_unique(array_map(static fn(int $wall): int => $wall % 86400, $walls));
        $dates = array_map(function (int $wall) use ($series, $times): string {
            $at = WallTime::ofSeconds($wall);

            return $this->listedDate($at, !$series->allDay && count($times) > 1);
        }, $walls);

        return $this->phrases->say($series->allDay ? 'dates_days' : 'dates', [
            ...$with,
            'dates' => $this->listed($dates),
            'times' => count($times) === 1 ? 'one' : 'many',
            'more' => $found->count() > self::NAMED || !$found->complete ? 'yes' : 'no',
        ]);
    }

    private function repeats(Series $series, Rule $rule): ?string
    {
        $form = $rule->skip !== Skip::Omit ? null : Repeats::fromRule($rule, $series->start);
        if ($form === null) {
            return $this->yearly($series, $rule);
        }
        $n = $rule->interval;
        $weekdays = array_map(static fn(string $day): int => (int) array_search($day, WorkingHours::DAYS, true), $form['days']);
        $weekday = (int) array_search($form['weekday'], WorkingHours::DAYS, true);

        return match (true) {
            $form['every'] === 'day' => $this->phrases->say('daily', ['n' => $n]),
            $form['every'] === 'week' => $weekdays === [0, 1, 2, 3, 4] && $n === 1
                ? $this->phrases->say('workdays')
                : $this->phrases->say('weekly', ['n' => $n, 'days' => $this->listed(array_map(fn(int $w): string => $this->phrases->say('on_weekday', ['w' => (string) $w, 'day' => $this->nameOf($w)]), $weekdays))]),
            $form['every'] === 'year' => $this->phrases->say('yearly', ['n' => $n, 'day' => $this->formatted('day_month', $series->start)]),
            $form['monthBy'] === 'workingDay' => $this->phrases->say('monthly_workday', ['n' => $n]),
            $form['monthBy'] === 'weekday' => $this->phrases->say('monthly_weekday', ['n' => $n, 'nth' => $form['nth'] === -1 ? 'last' : (string) $form['nth'], 'w' => (string) $weekday, 'weekday' => $this->nameOf($weekday)]),
            $form['monthDay'] === -1 => $this->phrases->say('monthly_last_day', ['n' => $n]),
            default => $form['monthDay'] > 0 ? $this->phrases->say('monthly_day', ['n' => $n, 'day' => (string) $form['monthDay']]) : null,
        };
    }

    /** Once a year on a day of a month, as the plainest rule names it. */
    private function yearly(Series $series, Rule $rule): ?string
    {
        [, $month, $day] = Gregorian::civil($series->start->dayNumber());
        $isPlain = $rule->frequency === Frequency::Yearly && $rule->skip === Skip::Omit && $rule->months === [$month] && $rule->monthDays === [$day]
            && $rule->days === [] && $rule->yearDays === [] && $rule->weeks === [] && $rule->positions === [] && $rule->hours === [] && $rule->minutes === [] && $rule->seconds === [];

        return $isPlain ? $this->phrases->say('yearly', ['n' => $rule->interval, 'day' => $this->formatted('day_month', $series->start)]) : null;
    }

    /** @param list<WallTime> $walls */
    private function singles(Series $series, array $walls): string
    {
        $usual = $series->start->secondOfDay();

        return $this->listed(array_map(
            fn(WallTime $wall): string => $this->listedDate($wall, !$series->allDay && $wall->secondOfDay() !== $usual),
            $walls,
        ));
    }

    private function listedDate(WallTime $wall, bool $withTime): string
    {
        $date = $this->phrases->say('listed_date', ['date' => $this->date($wall)]);

        return $withTime ? $this->phrases->say('date_time', ['date' => $date, 'time' => $this->clock($wall)]) : $date;
    }

    private function lastDay(Series $series): WallTime
    {
        $last = $series->rule?->until?->lastMoment($series->zone) ?? 0;

        return WallTime::ofSeconds($series->zone?->toWall($last) ?? $last);
    }

    /** @param int $weekday 0 is Monday */
    private function nameOf(int $weekday): string
    {
        // 5 January 1970 was a Monday.
        return $this->weekday(WallTime::ofSeconds((4 + $weekday) * 86400));
    }

    private function formatted(string $pattern, WallTime $wall): string
    {
        if (count($this->said) > self::MOST_CACHED) {
            $this->said = [];
        }

        return $this->said["$pattern $wall->seconds"] ??= $this->format($pattern, $wall);
    }

    private function format(string $pattern, WallTime $wall): string
    {
        $formatter = $this->formatters[$pattern] ??= new \IntlDateFormatter($this->locale(), \IntlDateFormatter::NONE, \IntlDateFormatter::NONE, 'UTC', \IntlDateFormatter::GREGORIAN, $this->pattern($pattern));
        $text = (string) $formatter->format($wall->seconds);

        // French counts the first of a month: "1er décembre" (common practice, no published source).
        return $this->tag === 'fr' ? (string) preg_replace('/(?<![\d:])1 (?=\p{L})/u', '1er ', $text) : $text;
    }

    private function pattern(string $name): string
    {
        /** @var array<string, array<string, string>> $patterns */
        $patterns = require __DIR__ . '/Languages/patterns.php';

        return $patterns[$this->tag][$name] ?? $patterns['all'][$name];
    }

    private function placeOf(string $zoneId): string
    {
        if ($this->tag === 'en' || !str_contains($zoneId, '/') || str_starts_with($zoneId, 'Etc/')) {
            return PlaceName::of($zoneId);
        }
        $place = (new \IntlDateFormatter($this->locale(), \IntlDateFormatter::NONE, \IntlDateFormatter::NONE, $zoneId, \IntlDateFormatter::GREGORIAN, 'VVV'))->format(0);

        return is_string($place) && $place !== '' && !str_contains($place, '/') ? $place : PlaceName::of($zoneId);
    }
}

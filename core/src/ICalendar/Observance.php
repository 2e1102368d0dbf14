<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\Recurrence\InvalidRule;
use Syndex\Core\Recurrence\Rule;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\RuleWalk;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

/** STANDARD or DAYLIGHT of a VTIMEZONE (RFC 5545 3.6.5). */
final readonly class Observance
{
    /** @param list<int> $onsets RDATE, walls */
    private function __construct(private WallTime $start, public int $before, public int $after, private ?Rule $rule, private array $onsets) {}

    /**
     * @param  list<PropertyLine>  $lines
     * @return ?self null where it lacks what it cannot do without
     */
    public static function of(array $lines, Warnings $warnings, Work $work): ?self
    {
        $start = $before = $after = $rule = null;
        $onsets = [];
        foreach ($lines as $line) {
            match ($line->name) {
                'DTSTART' => $start ??= DateTimeText::parse($line->value),
                'TZOFFSETFROM' => $before ??= self::offset($line, $warnings),
                'TZOFFSETTO' => $after ??= self::offset($line, $warnings),
                'RRULE' => $rule ??= self::rule($line, $warnings),
                'RDATE' => array_push($onsets, ...self::onsets($line, $work)),
                default => null,
            };
        }

        return $start === null || $before === null || $after === null ? null : new self(WallTime::ofSeconds($start->wall), $before, $after, $rule, $onsets);
    }

    /**
     * @param  int  $until  no onset after this wall time is wanted
     * @return list<int> moments at which it begins
     */
    public function begins(int $until, Work $work): array
    {
        $walls = [$this->start->seconds, ...$this->onsets];
        $lastMoment = $this->rule?->until?->lastMoment(null) ?? PHP_INT_MAX;
        $left = $this->rule->count ?? PHP_INT_MAX;
        foreach ($this->rule === null ? [] : (new RuleWalk($this->rule, $this->start, $work))->from($this->start->seconds) as $period) {
            $work->hold(32 * count($period));
            foreach ($period as $wall) {
                if ($wall > $until || $wall - $this->before > $lastMoment || $left-- <= 0) {
                    break 2;
                }
                $walls[] = $wall;
            }
        }

        return array_map(fn(int $wall): int => $wall - $this->before, array_values(array_unique($walls)));
    }

    /** Less than a day (RFC 5545 3.3.14). */
    private static function offset(PropertyLine $line, Warnings $warnings): ?int
    {
        if (preg_match('/\A([+-]?)([01]\d|2[0-3]):?([0-5]\d)(?::?([0-5]\d))?\z/', trim($line->value), $m) !== 1) {
            $warnings->add($line->line, 'bad_value', "$line->name is no offset of less than a day", $line->name);

            return null;
        }
        $seconds = (int) $m[2] * 3600 + (int) $m[3] * 60 + (int) ($m[4] ?? 0);

        return $m[1] === '-' ? -$seconds : $seconds;
    }

    private static function rule(PropertyLine $line, Warnings $warnings): ?Rule
    {
        try {
            $rule = RuleParser::parse($line->value);
            if ($rule->frequency->secondsBelowADay() === null) {
                return $rule;
            }
            $warnings->add($line->line, 'bad_rule', 'clocks that change several times a day were not followed', $line->name);

            return null;
        } catch (InvalidRule $bad) {
            $warnings->add($line->line, 'bad_rule', $bad->getMessage(), $line->name);

            return null;
        }
    }

    /** @return list<int> */
    private static function onsets(PropertyLine $line, Work $work): array
    {
        $count = substr_count($line->value, ',') + 1;
        $work->spend(4 * $count);
        $work->hold(120 * $count);
        $walls = [];
        foreach (explode(',', $line->value) as $text) {
            $time = DateTimeText::parse(explode('/', $text)[0]);
            if ($time !== null) {
                $walls[] = $time->wall;
            }
        }

        return $walls;
    }
}

<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

/** What the parts of a rule may be, each alone and beside each other (RFC 5545 3.3.10, with the notes under its table). */
final class CheckRule
{
    /** @return int<1, 2147483647> */
    public static function number(string $part, int $number): int
    {
        return $number >= 1 && $number <= Rule::MOST_NUMBER ? $number : throw InvalidRule::badPart($part, (string) $number, 'a whole number from 1 to ' . Rule::MOST_NUMBER);
    }

    /**
     * @param list<int> $numbers
     * @return list<int> in order, each once
     */
    public static function numbers(string $part, array $numbers, int $least, int $most): array
    {
        foreach ($numbers as $number) {
            if ($number < $least || $number > $most) {
                throw InvalidRule::badPart($part, (string) $number, "numbers from $least to $most");
            }
        }

        return self::inOrder($numbers);
    }

    /**
     * @param list<int> $numbers counted from the beginning, or from the end
     * @return list<int> in order, each once
     */
    public static function signed(string $part, array $numbers, int $most): array
    {
        foreach ($numbers as $number) {
            if ($number === 0 || abs($number) > $most) {
                throw InvalidRule::badPart($part, (string) $number, "numbers from 1 to $most or -1 to -$most");
            }
        }

        return self::inOrder($numbers);
    }

    /**
     * @param list<WeekdayPick> $picks
     * @return list<WeekdayPick> each once, by weekday and number
     */
    public static function picks(array $picks): array
    {
        if (count($picks) < 2) {
            return array_map(self::pick(...), $picks);
        }
        $once = [];
        foreach ($picks as $pick) {
            $once[self::pick($pick)->toText()] = $pick;
        }
        usort($once, static fn(WeekdayPick $a, WeekdayPick $b): int => [$a->weekday, $a->nth] <=> [$b->weekday, $b->nth]);

        return $once;
    }

    /** @throws InvalidRule if the standard does not allow two of its parts together */
    public static function together(Rule $rule): void
    {
        if ($rule->count !== null && $rule->until !== null) {
            throw InvalidRule::notTogether('COUNT', 'UNTIL');
        }
        $frequency = $rule->frequency;
        $numbered = false;
        foreach ($rule->days as $pick) {
            $numbered = $numbered || $pick->nth !== 0;
        }
        $never = match (true) {
            $rule->weeks !== [] && $frequency !== Frequency::Yearly => 'BYWEEKNO',
            $rule->yearDays !== [] && in_array($frequency, [Frequency::Daily, Frequency::Weekly, Frequency::Monthly], true) => 'BYYEARDAY',
            $rule->monthDays !== [] && $frequency === Frequency::Weekly => 'BYMONTHDAY',
            $numbered && $frequency !== Frequency::Monthly && $frequency !== Frequency::Yearly => 'a numbered BYDAY',
            default => null,
        };
        if ($never !== null) {
            throw InvalidRule::notTogether($never, 'FREQ=' . $frequency->value);
        }
        if ($numbered && $rule->weeks !== []) {
            throw InvalidRule::notTogether('a numbered BYDAY', 'BYWEEKNO');
        }
        if ($rule->positions !== [] && [...$rule->seconds, ...$rule->minutes, ...$rule->hours, ...$rule->days, ...$rule->monthDays, ...$rule->yearDays, ...$rule->weeks, ...$rule->months] === []) {
            throw InvalidRule::alone('BYSETPOS', 'another BY part');
        }
    }

    private static function pick(WeekdayPick $pick): WeekdayPick
    {
        return $pick->weekday >= 0 && $pick->weekday <= 6 && abs($pick->nth) <= 53 ? $pick : throw InvalidRule::badPart('BYDAY', (string) $pick->nth, 'weekdays MO to SU, numbered from 1 to 53 or -1 to -53');
    }

    /**
     * @param list<int> $numbers
     * @return list<int>
     */
    private static function inOrder(array $numbers): array
    {
        if (count($numbers) < 2) {
            return $numbers;
        }
        $numbers = array_values(array_unique($numbers));
        sort($numbers);

        return $numbers;
    }
}

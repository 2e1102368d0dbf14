<?php

declare(strict_types=1);

namespace App\Planning;

use Illuminate\Validation\Rule as Among;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Recurrence\InvalidRepeats;
use Syndex\Core\Recurrence\InvalidRule;
use Syndex\Core\Recurrence\Repeats;
use Syndex\Core\Recurrence\Rule;
use Syndex\Core\Recurrence\RuleParts;
use Syndex\Core\Time\WallTime;

/**
 * A rule as the browser is told it and sends it back: in the words of the small editor where those can say it,
 * else by its parts. Which of the two it is stands in `by`.
 *
 * @phpstan-import-type Form from Repeats
 * @phpstan-import-type Parts from RuleParts
 */
final class RuleWire
{
    private const LISTS = ['monthDays', 'yearDays', 'weeks', 'months', 'positions', 'hours', 'minutes', 'seconds'];

    /** @return array<string, mixed> */
    public static function of(Rule $rule, WallTime $start): array
    {
        $words = Repeats::fromRule($rule, $start);

        return $words === null ? self::byParts($rule) : ['by' => 'words', ...$words];
    }

    /** @return array<string, mixed> */
    public static function byParts(Rule $rule): array
    {
        return ['by' => 'parts', ...RuleParts::fromRule($rule)];
    }

    /** @return array<string, mixed> what a request must have */
    public static function rules(mixed $asked): array
    {
        return [
            'rule' => ['present', 'nullable', 'array'],
            ...match (true) {
                !is_array($asked) => [],
                ($asked['by'] ?? null) === 'parts' => self::partsRules(),
                default => ['rule.by' => ['required', Among::in(['words', 'parts'])], ...self::wordsRules()],
            },
        ];
    }

    /**
     * @param  array<string, mixed>  $asked  as the rules above let it through
     *
     * @throws ValidationException naming the field that cannot be
     */
    public static function read(array $asked): Rule
    {
        try {
            return $asked['by'] === 'parts' ? RuleParts::toRule(self::parts($asked)) : Repeats::toRule(self::words($asked));
        } catch (InvalidRepeats $bad) {
            throw ValidationException::withMessages(["rule.$bad->field" => __("planning.repeats_$bad->field")]);
        } catch (InvalidRule $bad) {
            $field = RuleParts::field($bad);
            throw ValidationException::withMessages(["rule.$field" => __("planning.parts_$field")]);
        }
    }

    /** @return array<string, mixed> */
    private static function wordsRules(): array
    {
        return [
            'rule.every' => ['required', Among::in(['day', 'week', 'month', 'year'])],
            'rule.interval' => ['required', 'integer'],
            'rule.days' => ['present', 'array', 'max:7'],
            'rule.days.*' => ['string'],
            'rule.monthBy' => ['required', Among::in(['date', 'weekday', 'workingDay'])],
            'rule.monthDay' => ['required', 'integer'],
            'rule.nth' => ['required', 'integer'],
            'rule.weekday' => ['required', 'string'],
            ...self::endRules(),
        ];
    }

    /** @return array<string, mixed> */
    private static function partsRules(): array
    {
        $lists = [];
        foreach (self::LISTS as $list) {
            $lists["rule.$list"] = ['present', 'array', 'max:366'];
            $lists["rule.$list.*"] = ['integer'];
        }

        return [
            'rule.frequency' => ['required', Among::in(array_keys(RuleParts::LISTS))],
            'rule.interval' => ['required', 'integer'],
            'rule.weekStart' => ['required', 'string'],
            'rule.days' => ['present', 'array', 'max:400'],
            'rule.days.*.nth' => ['required', 'integer'],
            'rule.days.*.day' => ['required', 'string'],
            'rule.skip' => ['required', Among::in(['omit', 'backward', 'forward'])],
            ...$lists,
            ...self::endRules(),
        ];
    }

    /** @return array<string, mixed> */
    private static function endRules(): array
    {
        return [
            'rule.end' => ['required', Among::in(['count', 'until', 'open'])],
            'rule.count' => ['required', 'integer'],
            'rule.untilOn' => ['present', 'nullable', 'string'],
        ];
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return Form
     */
    private static function words(array $asked): array
    {
        /** @var array{every: 'day'|'week'|'month'|'year', interval: int|string, days: list<string>, monthBy: 'date'|'weekday'|'workingDay', monthDay: int|string, nth: int|string, weekday: string, end: 'count'|'until'|'open', count: int|string, untilOn: ?string} $asked */
        return [
            'every' => $asked['every'], 'interval' => (int) $asked['interval'], 'days' => array_values($asked['days']), 'monthBy' => $asked['monthBy'],
            'monthDay' => (int) $asked['monthDay'], 'nth' => (int) $asked['nth'], 'weekday' => $asked['weekday'], 'end' => $asked['end'],
            'count' => (int) $asked['count'], 'untilOn' => $asked['untilOn'],
        ];
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return Parts
     */
    private static function parts(array $asked): array
    {
        /** @var array{frequency: string, interval: int|string, weekStart: string, days: list<array{nth: int|string, day: string}>, skip: string, end: string, count: int|string, untilOn: ?string} $asked */
        $numbers = static fn(string $list): array => array_values(array_map(intval(...), (array) ($asked[$list] ?? [])));

        return [
            'frequency' => $asked['frequency'], 'interval' => (int) $asked['interval'], 'weekStart' => $asked['weekStart'],
            'days' => array_map(static fn(array $d): array => ['nth' => (int) $d['nth'], 'day' => $d['day']], array_values($asked['days'])),
            'monthDays' => $numbers('monthDays'), 'yearDays' => $numbers('yearDays'), 'weeks' => $numbers('weeks'), 'months' => $numbers('months'), 'positions' => $numbers('positions'),
            'hours' => $numbers('hours'), 'minutes' => $numbers('minutes'), 'seconds' => $numbers('seconds'), 'skip' => $asked['skip'],
            'end' => $asked['end'], 'count' => (int) $asked['count'], 'untilOn' => $asked['untilOn'] ?: null,
        ];
    }
}

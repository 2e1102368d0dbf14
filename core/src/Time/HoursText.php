<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/** Working hours in one line: "mon-thu 08:00-12:00, 13:00-16:00; fri 08:00-12:00". Days that are not named are days off. */
final class HoursText
{
    private const DASH = '\s*(?:-|–|—|to)\s*';

    /** @throws InvalidHours if a day or a time cannot be read */
    public static function read(string $text): WorkingHours
    {
        $days = [];
        foreach (preg_split('/\s*[;|\n]\s*/u', trim($text), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $part) {
            if (preg_match('/\A(\D+?)[:\s]*(\d.*)\z/u', $part, $m) !== 1) {
                throw InvalidHours::unreadableTime($part);
            }
            $stretches = array_map(self::stretch(...), preg_split('/\s*(?:,|\band\b|\s&\s)\s*/u', trim($m[2]), -1, PREG_SPLIT_NO_EMPTY) ?: []);
            foreach (self::days($m[1]) as $day) {
                $days[WorkingHours::DAYS[$day]] = [...$days[WorkingHours::DAYS[$day]] ?? [], ...$stretches];
            }
        }

        return WorkingHours::of($days);
    }

    /** As {@see read} takes it; empty where there are no hours. */
    public static function write(WorkingHours $hours): string
    {
        $parts = [];
        foreach ($hours->toArray() as $day => $stretches) {
            $at = (int) array_search($day, WorkingHours::DAYS, true);
            $text = implode(', ', array_map(static fn(array $s): string => "$s[0]-$s[1]", $stretches));
            $last = array_key_last($parts);
            if ($last !== null && $parts[$last]['text'] === $text && $parts[$last]['to'] === $at - 1) {
                $parts[$last]['to'] = $at;
            } else {
                $parts[] = ['from' => $at, 'to' => $at, 'text' => $text];
            }
        }
        return implode('; ', array_map(static fn(array $p): string => WorkingHours::DAYS[$p['from']] . ($p['to'] > $p['from'] ? '-' . WorkingHours::DAYS[$p['to']] : '') . ' ' . $p['text'], $parts));
    }

    /** @return array{string, string} */
    private static function stretch(string $text): array
    {
        if (preg_match('/\A(\d{1,2})(?:[:.h](\d{2}))?' . self::DASH . '(\d{1,2})(?:[:.h](\d{2}))?\z/u', $text, $m) !== 1) {
            throw InvalidHours::unreadableTime($text);
        }

        return [sprintf('%02d:%s', (int) $m[1], $m[2] === '' ? '00' : $m[2]), sprintf('%02d:%s', (int) $m[3], ($m[4] ?? '') === '' ? '00' : $m[4])];
    }

    /** @return list<int> 0 is Monday; a range may go over the end of the week */
    private static function days(string $text): array
    {
        $days = [];
        foreach (preg_split('/\s*(?:,|\band\b)\s*/u', trim($text, " \t:,"), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $piece) {
            $ends = preg_split('/' . self::DASH . '/u', $piece) ?: [];
            $from = self::day($ends[0] ?? '');
            $to = count($ends) === 2 ? self::day($ends[1]) : $from;
            if (count($ends) > 2) {
                throw InvalidHours::unknownDay($piece);
            }
            for ($day = $from; $day % 7 !== $to; $day++) {
                $days[] = $day % 7;
            }
            $days[] = $to;
        }

        return $days;
    }

    private static function day(string $name): int
    {
        $found = array_search(substr(strtolower(trim($name)), 0, 3), WorkingHours::DAYS, true);

        return is_int($found) && preg_match('/\A(?:mon(?:day)?s?|tue(?:sday)?s?|wed(?:nesday)?s?|thu(?:rs?)?(?:day)?s?|fri(?:day)?s?|sat(?:urday)?s?|sun(?:day)?s?)\.?\z/i', trim($name)) === 1 ? $found : throw InvalidHours::unknownDay($name);
    }
}

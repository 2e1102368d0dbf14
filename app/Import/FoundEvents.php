<?php

declare(strict_types=1);

namespace App\Import;

use Syndex\Core\ICalendar\Entry;

/** The events of a calendar file, to choose from. One event has one UID; its changed dates belong to it. */
final class FoundEvents
{
    private const MOST_SHOWN = 100;

    /** Changed dates of one event that are taken up. */
    private const MOST_ENTRIES = 2000;

    /**
     * @param  iterable<int, Entry>  $entries
     * @param  string  $words  all of which stand in the title
     * @return array{events: list<array{key: string, title: string, start: string, allDay: bool, repeated: bool, people: int}>, total: int} the latest first
     */
    public static function in(iterable $entries, string $words): array
    {
        $words = preg_split('/\s+/', mb_strtolower($words), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $found = [];
        foreach ($entries as $at => $entry) {
            $key = self::keyOf($entry, $at);
            if ($entry->start === null || (isset($found[$key]) && $entry->recurrenceId !== null)) {
                continue;
            }
            $title = mb_strtolower($entry->summary ?? '');
            foreach ($words as $word) {
                if (!str_contains($title, $word)) {
                    continue 2;
                }
            }
            $found[$key] = [$entry->start->seconds, $key, mb_strimwidth($entry->summary ?? '', 0, 200, '…'), $entry->start->format(), $entry->isAllDay(), $entry->isSeries(), count($entry->attendees)];
        }
        usort($found, static fn(array $a, array $b): int => $b[0] <=> $a[0]);

        return [
            'events' => array_map(static fn(array $f): array => ['key' => $f[1], 'title' => $f[2], 'start' => $f[3], 'allDay' => $f[4], 'repeated' => $f[5], 'people' => $f[6]], array_slice($found, 0, self::MOST_SHOWN)),
            'total' => count($found),
        ];
    }

    /**
     * @param  iterable<int, Entry>  $entries
     * @param  string  $key  as told above; empty: the file's first event
     * @return list<Entry> the event and its changed dates
     */
    public static function entriesOf(iterable $entries, string $key): array
    {
        $found = [];
        foreach ($entries as $at => $entry) {
            if ($key === '' && $entry->start !== null) {
                $key = self::keyOf($entry, $at);
            }
            if (self::keyOf($entry, $at) === $key && count($found) < self::MOST_ENTRIES) {
                $found[] = $entry;
            }
        }

        return $found;
    }

    /** An event without UID is known by its place in the file. */
    private static function keyOf(Entry $entry, int $at): string
    {
        return $entry->uid === null || $entry->uid === '' ? "#$at" : hash('xxh128', $entry->uid);
    }
}

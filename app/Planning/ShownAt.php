<?php

declare(strict_types=1);

namespace App\Planning;

use Illuminate\Support\Facades\DB;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\Zone;

/** The date under which a meeting is listed: its next one, else its last; of a draft its first. */
final class ShownAt
{
    /** Moves on every meeting whose date has ended since somebody last looked. There are few each time, and an index names them. */
    public static function catchUp(): void
    {
        $now = gmdate('Y-m-d H:i:s', now()->getTimestamp());
        if (!DB::table('meetings')->where('shown_until', '<=', $now)->exists()) {
            return;
        }
        DB::update(<<<'SQL'
            update meetings m set
                shown_at = coalesce((select min(o.starts_at) from occurrences o where o.meeting_id = m.id and o.ends_at > ?), m.shown_at),
                shown_until = (select min(o.ends_at) from occurrences o where o.meeting_id = m.id and o.ends_at > ?)
            where m.shown_until <= ?
            SQL, [$now, $now, $now]);
    }

    /** Of what is not laid down yet. */
    public static function first(Series $series, Zone $anchor): string
    {
        return gmdate('Y-m-d H:i:s', $anchor->toUtc($series->start->seconds));
    }

    /**
     * Of a meeting whose dates all lie further ahead than dates are laid down.
     *
     * @return array{shown_at: string, shown_until: string}
     */
    public static function beyond(Series $series, Zone $anchor): array
    {
        $first = self::first($series, $anchor);

        return ['shown_at' => $first, 'shown_until' => $first];
    }

    /**
     * @param  non-empty-list<array{starts_at: string, ends_at: string}>  $rows  dates in order
     * @return array{shown_at: string, shown_until: ?string}
     */
    public static function of(array $rows): array
    {
        $now = gmdate('Y-m-d H:i:s', now()->getTimestamp());
        foreach ($rows as $row) {
            if ($row['ends_at'] > $now) {
                return ['shown_at' => $row['starts_at'], 'shown_until' => $row['ends_at']];
            }
        }

        return ['shown_at' => $rows[count($rows) - 1]['starts_at'], 'shown_until' => null];
    }
}

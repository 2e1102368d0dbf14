<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Support\Facades\DB;
use PDO;
use Syndex\Core\Overlap\BusyKind;
use Syndex\Core\Time\PackedStretches;

/** What a calendar says is taken, laid down once more as one value, without titles, in the same transaction as the rows. */
final class PackedBusyTimes
{
    /** @param list<array{starts_at: string, ends_at: string, kind: string}> $rows as they are kept, in UTC */
    public static function keep(int $calendarId, array $rows): void
    {
        $stretches = array_map(static fn(array $row): array => [(int) strtotime("$row[starts_at] UTC"), (int) strtotime("$row[ends_at] UTC"), BusyKind::from($row['kind'])->mark()], $rows);
        DB::table('packed_calendars')->upsert([['calendar_id' => $calendarId, 'stretches' => PackedStretches::pack($stretches)]], ['calendar_id'], ['stretches']);
    }

    /**
     * @param  list<int>  $calendarIds
     * @return array<int, string> octets by calendar, of those that have them, perhaps of others too
     */
    public static function of(array $calendarIds): array
    {
        if ($calendarIds === []) {
            return [];
        }
        [$some, $bound] = ManyIds::in('calendar_id', $calendarIds);
        $statement = DB::connection()->getPdo()->prepare("select calendar_id, stretches from packed_calendars where $some");
        $statement->execute($bound);
        $found = $statement->fetchAll(PDO::FETCH_KEY_PAIR);

        return $found;
    }
}

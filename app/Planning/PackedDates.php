<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\ManyIds;
use Illuminate\Support\Facades\DB;
use PDO;
use Syndex\Core\Time\PackedStretches;

/** The dates of a meeting that take time, laid down once more as one value, in the same transaction as the rows. */
final class PackedDates
{
    /** A date has no mark. */
    private const MARK = 0;

    public static function keep(string $meetingId): void
    {
        $rows = DB::table('occurrences')->where('meeting_id', $meetingId)->where('all_day', false)->selectRaw('unix_timestamp(starts_at) as starts, unix_timestamp(ends_at) as ends')->get();
        $stretches = array_map(static fn(\stdClass $row): array => [(int) $row->starts, (int) $row->ends, self::MARK], $rows->all());
        DB::table('packed_meetings')->upsert([['meeting_id' => $meetingId, 'stretches' => PackedStretches::pack(array_values($stretches))]], ['meeting_id'], ['stretches']);
    }

    /**
     * @param  list<string>  $meetingIds
     * @return array<string, string> octets by meeting, of those that have them, perhaps of others too
     */
    public static function of(array $meetingIds): array
    {
        if ($meetingIds === []) {
            return [];
        }
        [$some, $bound] = ManyIds::in('meeting_id', $meetingIds);
        $statement = DB::connection()->getPdo()->prepare("select meeting_id, stretches from packed_meetings where $some");
        $statement->execute($bound);
        $found = $statement->fetchAll(PDO::FETCH_KEY_PAIR);

        return $found;
    }
}

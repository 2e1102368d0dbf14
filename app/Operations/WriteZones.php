<?php

declare(strict_types=1);

namespace App\Operations;

use Illuminate\Console\Command;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\SystemZoneData;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Time\ZoneNames;

/** Writes the changes of every zone's clock, and the names of their places, down as PHP, which the servers then hold ready in memory; `start` calls it. */
final class WriteZones extends Command
{
    protected $signature = 'zones:write {file}';

    protected $description = 'Writes the zone data down for the servers';

    public function handle(ZoneData $zones): int
    {
        $fresh = new SystemZoneData($zones->version());
        $tables = [];
        foreach ($fresh->currentIds() as $id) {
            $tables[$id] = $fresh->zone($id)->table();
        }
        $file = $this->argument('file');
        if (!is_string($file)) {
            return self::INVALID;
        }
        $places = [];
        foreach ($fresh->ids() as $id) {
            $places["en $id"] = PlaceName::of($id);
        }
        file_put_contents("$file.new", "<?php\n\nreturn " . preg_replace('/\s+/', ' ', var_export(['version' => $zones->version(), 'tables' => $tables, 'places' => $places, 'names' => (new ZoneNames($fresh))->index()], true)) . ";\n");
        rename("$file.new", $file);

        return self::SUCCESS;
    }
}

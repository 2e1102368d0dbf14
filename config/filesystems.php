<?php

declare(strict_types=1);

return [
    'default' => 'local',
    // Nothing of the disk is served: the framework would add routes for it.
    'disks' => ['local' => ['driver' => 'local', 'root' => storage_path('app'), 'serve' => false, 'throw' => true]],
    'links' => [],
];

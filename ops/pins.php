<?php

declare(strict_types=1);

/*
 * Writes packages/pins/composer.json: every installed package held at its present version.
 * After a deliberate update: empty its "conflict", run composer update, run this, commit.
 */

require __DIR__ . '/../vendor/autoload.php';

$conflict = [];
foreach (Composer\InstalledVersions::getInstalledPackages() as $name) {
    $version = Composer\InstalledVersions::getVersion($name);
    if ($version !== null && !str_starts_with($name, 'syndex/') && !str_starts_with($version, 'dev-')) {
        $conflict[$name] = "<$version || >$version";
    }
}
ksort($conflict);
$pins = [
    'name' => 'syndex/pins',
    'description' => 'Written by ops/pins.php: holds every installed package at the version it was tested with.',
    'type' => 'metapackage',
    'version' => '1.0.0',
    'conflict' => $conflict,
];
file_put_contents(__DIR__ . '/../packages/pins/composer.json', json_encode($pins, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES) . "\n");
echo count($conflict), " packages are held.\n";

<?php

declare(strict_types=1);

/*
 * What `start` wrote down of settings, routes and events, for the servers of a house. It is let go as soon as any file it was made of
 * is newer, so that code that changes under a running house counts at once.
 */
return static function (string $root, string $var): void {
    $made = @filemtime("$var/cache/config.php");
    if ($made === false) {
        return;
    }
    foreach ([...(glob("$root/config/*.php") ?: []), ...(glob("$root/routes/*.php") ?: []), "$root/bootstrap/app.php", "$var/app.env", "$root/vendor/composer/installed.php"] as $file) {
        if ((int) @filemtime($file) > $made) {
            return;
        }
    }
    foreach (['APP_CONFIG_CACHE' => 'config', 'APP_ROUTES_CACHE' => 'routes', 'APP_EVENTS_CACHE' => 'events'] as $name => $file) {
        putenv("$name=$var/cache/$file.php");
        $_ENV[$name] = $_SERVER[$name] = "$var/cache/$file.php";
    }
};

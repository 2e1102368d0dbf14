<?php

declare(strict_types=1);

/*
 * How soon a plan sheet can be typed on, in the Chromium of the browser tests, from an empty page: its fields, and its board.
 * Beside it, in the same run, the page for what is nowhere: the same shell, and nothing to ask for.
 */

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Support\Chrome;

require __DIR__ . '/../../vendor/autoload.php';

const ROUNDS = 7;
const FIELDS = "document.querySelector('[data-part=title]') && document.querySelector('[data-testid=attendee]')";
const BOARD = "document.querySelector('[data-testid=bar]')";
const NOWHERE = "document.querySelector('h1')";

[, $app] = $argv;
$chrome = new Chrome();
$browser = $chrome->open();
$until = static function (string $script) use ($browser): float {
    $found = null;
    $browser->wait(20, 5)->until(static function (RemoteWebDriver $b) use ($script, &$found): bool {
        return ($found = $b->executeScript("return ($script) ? performance.now() : null")) !== null;
    });

    return (float) $found;
};
try {
    $browser->get($app);
    $until("document.querySelector('[aria-label=\"Sign in as Wanjiru Achola\"]')");
    $browser->findElement(WebDriverBy::cssSelector('[aria-label="Sign in as Wanjiru Achola"]'))->click();
    $until("document.querySelector('nav')");
    $browser->get("$app/meetings?q=grower+exchange&which=all");
    $until("document.querySelector('main li a')");
    $sheet = $app . $browser->findElement(WebDriverBy::cssSelector('main li a'))->getAttribute('href');
    $times = [];
    for ($i = 0; $i <= ROUNDS; $i++) {
        foreach (['fields' => [$sheet, FIELDS], 'board' => [$sheet, BOARD], 'nowhere' => ["$app/nowhere", NOWHERE]] as $what => [$url, $script]) {
            $browser->get('about:blank');
            $browser->get($url);
            $times[$what][] = $until($script);
        }
    }
} finally {
    $chrome->quit();
}
// The first round finds nothing in the browser's cache; the others are what a coordinator meets.
$middle = static function (array $of): int {
    $later = array_slice($of, 1);
    sort($later);

    return (int) round($later[intdiv(count($later), 2)]);
};
printf("  plan sheet: fields usable after %d ms, board after %d ms (first visit %d and %d ms)  (aim: within 1,000 ms)\n", $middle($times['fields']), $middle($times['board']), (int) round($times['fields'][0]), (int) round($times['board'][0]));
printf("    reference in the same run, a page that asks for nothing: %d ms (first visit %d ms)\n", $middle($times['nowhere']), (int) round($times['nowhere'][0]));

<?php

declare(strict_types=1);

/*
 * bin/syndex shots: one picture of each main view.
 */

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Support\Chrome;

require __DIR__ . '/../vendor/autoload.php';

[, $app, $postRoom] = $argv;
$chrome = new Chrome();
$browser = $chrome->open();
$folder = dirname(__DIR__) . '/docs/screenshots';

$wait = static function (string $text) use ($browser): void {
    $browser->wait(15, 60)->until(static fn(RemoteWebDriver $b): bool => str_contains((string) $b->executeScript('return document.body.innerText'), $text));
    usleep(500_000);
};
$visit = static function (string $path, string $text) use ($browser, $wait): void {
    $browser->executeScript("history.pushState({}, '', arguments[0]); dispatchEvent(new PopStateEvent('popstate'));", [$path]);
    $wait($text);
};
$click = static fn(string $xpath) => $browser->findElement(WebDriverBy::xpath($xpath))->click();
$set = static function (string $label, string $value) use ($browser): void {
    $field = $browser->findElement(WebDriverBy::xpath("//*[@id=//label[normalize-space(.)='$label']/@for]"));
    $browser->executeScript('const [field, value] = arguments; const of = field.tagName === "SELECT" ? HTMLSelectElement : HTMLInputElement; Object.getOwnPropertyDescriptor(of.prototype, "value").set.call(field, value); field.dispatchEvent(new Event(field.tagName === "SELECT" ? "change" : "input", { bubbles: true }));', [$field, $value]);
};
$take = static function (string $name, array $device = []) use ($chrome, $browser, $folder): void {
    $chrome->device($device);
    // The pointer out of the way, and nothing that flashes.
    $browser->executeScript('document.activeElement?.blur(); scrollTo(0, 0)');
    usleep(400_000);
    $browser->takeScreenshot("$folder/$name.png");
    echo "$name\n";
};

try {
    $browser->get($app);
    $wait('This is the demo');
    $click("//button[@aria-label='Sign in as Wanjiru Achola']");
    $wait('Needs you');
    $take('today');
    $visit('/meetings', 'coming up');
    $take('meetings');
    $visit('/meetings?which=all', 'in all');
    $path = static fn(string $title): string => (string) preg_replace('#/plan$#', '', (string) parse_url((string) $browser->findElement(WebDriverBy::xpath("//main//a[.='$title']"))->getAttribute('href'), PHP_URL_PATH));
    $draft = $path('Grower exchange');
    $sent = $path('Quarterly trials');
    $visit("$draft/plan", 'required people');
    $take('plan-day');
    $take('plan-phone', ['width' => 390, 'height' => 1500]);
    $chrome->device([]);
    $visit("$draft/plan?room", 'Ways in by phone');
    $click("//button[starts-with(@aria-label, 'Locked,')]");
    $set('Locked, minutes after the start', '3');
    $click("//button[.='Save']");
    $wait('It is locked before people have come');
    $take('who-gets-in');
    $click("//button[.='Undo']");
    usleep(900_000);
    $visit('/blueprints', 'blueprints to start from');
    $take('blueprints');
    $visit("$draft/plan", 'required people');
    $click("//button[.='All dates']");
    $wait('side by side');
    $take('plan-dates');
    $click("//button[.='Show better times']");
    $wait('How they are ranked');
    $click("//button[.='One day']");
    usleep(900_000);
    $take('plan-times');
    $click("//button[@data-time='rota']");
    $click("//button[.='Who pays']");
    $wait('In a sentence');
    $take('who-pays');
    $visit("$draft/read-back", 'Worth checking');
    $click("//button[.='Mere Tautari']");
    usleep(900_000);
    $take('readback');
    $visit($sent, 'Sent on');
    $take('meeting');
    $visit("$sent/answers", 'have answered');
    $take('answers');
    $visit($sent, 'Sent on');
    // A change of it: half an hour later and one date moved, read back, sent.
    $click("//button[.='Change it']");
    $wait('A change, nothing has been sent');
    $wait('required people');
    $click("//button[starts-with(@aria-label, 'Time:')]");
    $set('Time', '14:30');
    usleep(1_200_000);
    $wait('at 14:30');
    $wait('saved at');
    $click("//button[.='Read back']");
    $wait('What is different');
    usleep(900_000);
    $take('change');
    $click("//button[starts-with(., 'Send it to')]");
    $wait('Changed on');
    $wait('people told');
    usleep(600_000);
    // One letter in three languages, one of them from right to left.
    $browser->executeAsyncScript(<<<'JS'
        const [path, done] = arguments;
        const token = decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1]);
        const ask = (method, url, body) => fetch(`/api${url}`, { method, headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-XSRF-TOKEN': token }, ...(body ? { body: JSON.stringify(body) } : {}) }).then((answer) => answer.json());
        void ask('GET', path).then(async ({ attendees, hostId }) => {
          const people = attendees.map(({ person }) => person).filter(({ id }) => id !== hostId).slice(0, 3);
          document.body.innerHTML = '<div style="display:grid;grid-template-columns:repeat(3,1fr);gap:8px;height:100vh;padding:8px;box-sizing:border-box;background:#d6d9d2"></div>';
          for (const [at, language] of ['en', 'de', 'ar'].entries()) {
            await ask('PATCH', `/people/${people[at].id}`, { language });
            const frame = document.createElement('iframe');
            frame.src = `/api${path}/letter/${people[at].id}/html`;
            frame.style.cssText = 'width:100%;height:100%;border:0';
            document.body.firstChild.append(frame);
          }
          setTimeout(done, 1500);
        });
        JS, [$sent]);
    $take('letters');
    $browser->get("$app/meetings");
    $wait('coming up');
    $visit('/sent', 'messages in the dispatch book');
    $take('sent');
    $visit('/people', 'people in the directory');
    $take('people');
    $click("//a[.='Corin Hale']");
    $wait('A week in');
    $take('person');
    $visit('/house-rules', 'Public holidays of where');
    $take('house-rules');
    // Times offered to a guest, on their phone.
    $browser->executeAsyncScript(<<<'JS'
        const [path, done] = arguments;
        const token = decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1]);
        const ask = (method, url, body) => fetch(`/api${url}`, { method, headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-XSRF-TOKEN': token }, ...(body ? { body: JSON.stringify(body) } : {}) }).then((answer) => answer.json());
        void ask('GET', path).then(async ({ attendees, startLocal }) => {
          const later = (minutes) => new Date(Date.parse(`${startLocal}Z`) + minutes * 60000).toISOString().slice(0, 19);
          const guests = attendees.filter(({ person }) => person.kind === 'guest').map(({ person }) => person.id);
          done(await ask('POST', `${path}/offer`, { times: [later(0), later(1590), later(2970)], guests, untilOn: null, words: 'Mornings would help us, if you can.' }));
        });
        JS, [$draft]);
    $link = null;
    for ($try = 0; $link === null && $try < 60; $try++) {
        usleep(500_000);
        foreach (json_decode((string) file_get_contents("$postRoom/api/mails?to=lena@orchard.example"), true) as $mail) {
            $text = (string) json_decode((string) file_get_contents("$postRoom/api/mails/$mail[number]"), true)['text'];
            $link = preg_match('#https?://\S+/g/\w+#', $text, $m) === 1 ? $m[0] : $link;
        }
    }
    $phone = ['width' => 390, 'height' => 1060, 'zone' => 'Europe/Berlin'];
    $chrome->device($phone);
    $browser->get((string) $link);
    $wait('Where will you be?');
    $click("(//fieldset)[1]//label[normalize-space(.)='I will come']");
    $take('guest', $phone);
} finally {
    $chrome->quit();
}

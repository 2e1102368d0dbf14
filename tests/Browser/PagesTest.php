<?php

declare(strict_types=1);

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Support\BrowserTestCase;

/** The first meeting of a kind, by the list. */
function meetingPath(object $test, string $title, string $suffix = ''): string
{
    $test->visit('/meetings?q=' . rawurlencode($title));
    $link = $test->find("//main//a[normalize-space(.)='$title']");

    return preg_replace('#/plan$#', '', (string) parse_url((string) $link->getAttribute('href'), PHP_URL_PATH)) . $suffix;
}

$states = [
    'light, 1280' => [['width' => 1280, 'height' => 800]],
    'dark, 1280' => [['width' => 1280, 'height' => 800, 'dark' => true]],
    'light, 390' => [['width' => 390, 'height' => 844]],
    'dark, 390' => [['width' => 390, 'height' => 844, 'dark' => true]],
];

it('holds every page to WCAG 2.2 AA, without sideways scroll or console error', function (array $device): void {
    $this->device($device);
    $this->browser->get($this->address('/'));
    $this->see('Sign in');
    $this->expectAccessible('sign in');
    $this->expectNoSidewaysScroll('sign in');
    $this->signIn('Joram Kiptui');
    $pages = [
        '/' => 'Needs you', '/?day=2031-01-01' => 'Nothing is planned', '/meetings' => 'coming up', '/meetings?which=over' => '', '/people' => 'people in the directory', '/sent' => 'messages in the dispatch book',
        '/sent?state=withdrawn' => 'in the dispatch book', '/house-rules' => 'These rules hold', '/people/teams' => 'teams.', '/blueprints' => 'lueprints', '/burden' => 'All meetings that are sent or saved', '/people/import' => 'Take a list of people', '/me' => 'A week in Nairobi', '/nowhere' => 'There is nothing here',
        meetingPath($this, 'Quarterly trials') => 'Sent on', meetingPath($this, 'Yam collection hand-over') => 'Called off on',
        meetingPath($this, 'Grower exchange', '/plan') => 'required people', meetingPath($this, 'Grower exchange', '/plan?room') => 'Ways in by phone', meetingPath($this, 'Grower exchange', '/read-back') => 'Worth checking', meetingPath($this, 'Garden directors’ day') => 'all day',
    ];
    foreach ($pages as $path => $text) {
        $this->visit($path);
        $this->see($text);
        $this->expectAccessible($path);
        $this->expectNoSidewaysScroll($path);
    }
    $this->visit('/sent');
    $this->pressAt("//main//li//a[contains(@href, '/sent/')]");
    $this->see('Message-ID');
    $this->expectAccessible('a dispatch');
    $this->expectQuietConsole();
})->with($states);

it('holds dialogs and editors to the same', function (array $device): void {
    $this->device($device);
    $this->signIn('Joram Kiptui');
    $this->browser->findElement(WebDriverBy::tagName('body'))->sendKeys([WebDriverKeys::CONTROL, 'k']);
    $this->find("//input[@placeholder='A page, a meeting, a person or an action']")->sendKeys('quarterly');
    $this->see('Quarterly trials');
    $this->expectAccessible('palette');
    $this->find("//*[@role='dialog']//input")->sendKeys(WebDriverKeys::ESCAPE);
    $this->visit('/people');
    $this->press('button', 'Add a person');
    $this->see('Who they are');
    $this->expectAccessible('person');
    $this->pressAt("//*[@role='dialog']//button[normalize-space(.)='Leave it as it is']");
    $this->visit(meetingPath($this, 'Grower exchange', '/plan'));
    $this->see('required people');
    foreach (['How often', 'Until when', 'Length', 'Time zone of the meeting'] as $editor) {
        $this->pressAt("//button[starts-with(@aria-label, '$editor')]");
        $this->find("//*[@role='dialog']");
        $this->expectAccessible($editor);
        $this->browser->switchTo()->activeElement()->sendKeys(WebDriverKeys::ESCAPE);
        $this->waitFor(fn(): bool => $this->browser->findElements(WebDriverBy::cssSelector('[role=dialog]')) === [], 'the editor closed');
    }
    $this->field('Add a person')->sendKeys('rosa@anden,exa');
    $this->see('Check the part after the @');
    $this->expectAccessible('an address with a slip');
    $this->expectQuietConsole();
})->with(['light' => [['width' => 1280, 'height' => 800]], 'dark' => [['width' => 1280, 'height' => 800, 'dark' => true]]]);

it('does not scroll the plan sheet as a page at 1280 x 800', function (): void {
    $this->signIn();
    $this->visit(meetingPath($this, 'Grower exchange', '/plan'));
    $this->see('required people');

    expect($this->browser->executeScript('return document.documentElement.scrollHeight'))->toBeLessThanOrEqual(800);
});

it('reads at four times the text size', function (): void {
    $this->device(['width' => 1280, 'height' => 800]);
    $this->signIn();
    $this->browser->executeScript("document.documentElement.style.fontSize = '64px'");
    $this->see('Needs you');
    expect($this->find("//h1")->getText())->toContain('Nairobi time');
});

it('keeps two windows from overwriting each other', function (): void {
    $this->signIn();
    $path = meetingPath($this, 'Spring swap', '/plan');
    $this->visit($path);
    $this->fill($this->field('Purpose'), 'From the first window.');
    $this->see('draft saved at');
    // The second window: the same page asked again behind the first one's back.
    $this->browser->executeAsyncScript(<<<'JS'
        const done = arguments[arguments.length - 1];
        const id = location.pathname.split('/')[2];
        const token = decodeURIComponent(/XSRF-TOKEN=([^;]*)/.exec(document.cookie)[1]);
        const meeting = await (await fetch(`/api/meetings/${id}`, { headers: { Accept: 'application/json' } })).json();
        const body = { ...meeting, purpose: 'From the second window.', attendees: meeting.attendees.map((a) => ({ personId: a.person.id, role: a.role })) };
        await fetch(`/api/meetings/${id}`, { method: 'PUT', body: JSON.stringify(body), headers: { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token } });
        done();
        JS);
    $this->fill($this->field('Purpose'), 'From the first window, again.');
    $this->see('Changed in another window');
    $this->expectAccessible('the conflict');
    $this->press('button', 'Use the other version');
    $this->waitFor(fn(): bool => $this->field('Purpose')->getAttribute('value') === 'From the second window.', 'theirs');
    $this->press('button', 'Undo');
    $this->waitFor(fn(): bool => $this->field('Purpose')->getAttribute('value') === 'From the first window, again.', 'mine');
    $this->expectSaved();
});

it('gives a colleague an account, by mail', function (): void {
    $this->signIn('Joram Kiptui');
    $this->visit('/people');
    $this->fill($this->field('Search'), 'tomas');
    $this->press('button', 'Give an account: Tomás Sequeira');
    $this->pressAt("//*[@role='dialog']//button[normalize-space(.)='Give an account']");
    $this->see('A link is on its way');
    $this->waitFor(fn(): bool => $this->mails('tomas.sequeira@sakura-seed.example') !== [] && str_contains($this->mails('tomas.sequeira@sakura-seed.example')[0]['subject'], 'account'), 'the mail', 20);
    $mail = json_decode((string) file_get_contents($this->setting('POSTROOM_PAGE') . '/api/mails/' . $this->mails('tomas.sequeira@sakura-seed.example')[0]['number']), true);
    preg_match('#/password/\w+#', $mail['text'], $link);
    $this->forget();
    $this->browser->get($this->address($link[0]));
    $this->fill($this->field('Password'), 'quite long enough');
    $this->press('button', 'Save it and sign in');
    $this->see('Lisbon time');
    expect($this->text())->not->toContain('House rules');
});

it('tells open pages of what others do', function (): void {
    $this->signIn();
    $this->visit('/meetings?which=drafts');
    $this->see('have not been sent');
    $this->browser->executeAsyncScript(<<<'JS'
        const done = arguments[arguments.length - 1];
        const token = decodeURIComponent(/XSRF-TOKEN=([^;]*)/.exec(document.cookie)[1]);
        const headers = { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token };
        const meeting = await (await fetch('/api/meetings', { method: 'POST', body: '{}', headers })).json();
        const body = { ...meeting, title: 'Told by the channel', attendees: meeting.attendees.map((a) => ({ personId: a.person.id, role: a.role })) };
        await fetch(`/api/meetings/${meeting.id}`, { method: 'PUT', body: JSON.stringify(body), headers });
        done();
        JS);
    $this->see('Told by the channel');
    expect($this->text())->toContain('have not been sent');
});

it('loads no more script for a page than that page needs', function (): void {
    $this->signIn();
    $this->visit('/');
    $this->see('Needs you');
    $octets = $this->browser->executeScript("return performance.getEntriesByType('resource').filter((e) => e.initiatorType === 'script' || /\\.js$/.test(e.name)).map((e) => [e.name.split('/').pop(), e.encodedBodySize])");
    $names = implode(' ', array_column($octets, 0));

    // Without the module of nginx they come a seventh larger.
    expect(array_sum(array_column($octets, 1)))->toBeGreaterThan(0)->toBeLessThan(is_file('/usr/lib/nginx/modules/ngx_http_brotli_static_module.so') ? 150_000 : 170_000)
        ->and($names)->toContain('TodayPage')->not->toContain('PlanSheetPage')->not->toContain('ReadBackPage')->not->toContain('Dialog');
});

/** @return array{string, string} clock and weekday of the better time that has the focus */
function markedTime(BrowserTestCase $test): array
{
    preg_match('/^(\d\d:\d\d) Nairobi, (\w+)s/', $test->browser->switchTo()->activeElement()->getText(), $m);

    return [$m[1] ?? '', $m[2] ?? ''];
}

it('walks better times by keys alone, shows each on the board, takes one, and puts it back', function (): void {
    $this->signIn();
    $this->visit(meetingPath($this, 'Grower exchange', '/plan'));
    $this->waitFor(fn(): bool => (bool) $this->browser->executeScript('const it = [...document.querySelectorAll("footer button")].find((b) => b.innerText === "Show better times" && !b.disabled); it?.focus(); return Boolean(it)'), 'better times to show');
    $before = $this->css('h1')->getText();
    $keys = fn(string ...$keys) => array_map(fn(string $key) => $this->browser->getKeyboard()->sendKeys($key), $keys);
    $marked = fn(): string => (string) $this->browser->executeScript('return document.activeElement.dataset.time ?? ""');
    $bar = fn(): string => (string) $this->browser->executeScript('return document.querySelector("[data-testid=bar]")?.getAttribute("aria-valuetext") ?? ""');
    $keys(WebDriverKeys::ENTER);
    $this->see('As it is now');
    $this->waitFor(fn(): bool => str_starts_with($marked(), 'at ') && $marked() !== 'at 0', 'the first better time to have the focus');

    // The present time comes first, with what it costs; who is busy on the dates that do not hold is named.
    expect($this->css('[data-time="at 0"]')->getText())->toMatch('/^15:30 Nairobi, Tuesdays\s+All required are free on \d+ of 12 dates; \d+ \w+ \w+.* (busy|away)/');
    [$clock] = markedTime($this);
    $this->waitFor(fn(): bool => str_starts_with($bar(), $clock), 'the bar at the marked time');
    $keys(WebDriverKeys::ARROW_UP);
    $this->waitFor(fn(): bool => $marked() === 'at 0' && str_starts_with($bar(), '15:30'), 'the bar at the present time');
    $keys(WebDriverKeys::ARROW_DOWN, WebDriverKeys::ARROW_DOWN, WebDriverKeys::ARROW_DOWN);
    $this->waitFor(fn(): bool => $marked() !== 'at 0', 'the third');
    [$clock, $weekday] = markedTime($this);
    $this->waitFor(fn(): bool => str_starts_with($bar(), $clock), 'the bar at the third');
    $this->expectAccessible('better times');
    $this->pressAt("//button[normalize-space(.)='Who pays']");
    $this->see('Who sits outside their hours, counted over 12 dates');
    $this->see('In a sentence');
    $this->expectAccessible('who pays');

    $this->browser->executeScript('document.querySelector("[data-time][aria-current]").focus()');
    $keys(WebDriverKeys::ENTER);
    $this->waitFor(fn(): bool => str_contains($this->css('h1')->getText(), "$weekday at $clock Nairobi time"), 'the heading with the time taken');
    $this->press('button', 'Undo');
    $this->waitFor(fn(): bool => $this->css('h1')->getText() === $before, 'the heading as it was');
    $this->expectSaved();

    $this->press('button', 'Show better times');
    $this->waitFor(fn(): bool => $marked() !== '', 'the list');
    $keys(WebDriverKeys::ESCAPE);
    $this->waitFor(fn(): bool => $this->browser->executeScript('return document.activeElement.innerText') === 'Show better times', 'the focus where it came from');
    expect($this->css('h1')->getText())->toBe($before);
});

it('takes a time without somebody on the one date that does not hold', function (): void {
    $this->signIn();
    $this->visit(meetingPath($this, 'Grower exchange', '/plan'));
    $this->press('button', 'Show better times');
    // The first that holds on all dates but one, where one person alone is not free.
    $this->waitFor(function (): bool {
        $item = $this->browser->switchTo()->activeElement();
        if (str_contains($item->getText(), 'free on 11 of 12 dates') && $this->browser->findElements(WebDriverBy::xpath("//li//button[contains(., ' without ')]")) !== []) {
            return true;
        }
        if ($item->getAttribute('data-time') !== null) {
            $this->browser->getKeyboard()->sendKeys(WebDriverKeys::ARROW_DOWN);
        }

        return false;
    }, 'a time that holds without one person');
    [$clock, $weekday] = markedTime($this);
    $way = $this->find("//li//button[contains(., ' without ')]")->getText();
    expect(preg_match('/^(\d+ \w+) without (\w+)$/', $way, $m))->toBe(1);
    $this->press('button', $way);
    $this->waitFor(fn(): bool => str_contains($this->css('h1')->getText(), "$weekday at $clock Nairobi time"), 'the time taken');
    $this->see("$m[1]: 9 people");
    $this->waitFor(fn(): bool => str_contains($this->text(), 'are free on 12 of 12 dates'), 'a series that holds on every date');
    $this->press('button', 'Undo');
    $this->waitFor(fn(): bool => str_contains($this->css('h1')->getText(), 'Tuesday at 15:30 Nairobi time'), 'all of it taken back in one step');
    $this->expectSaved();
    expect($this->text())->not->toContain('9 people');
});

it('takes a rota, which stays one series with dates at other times', function (): void {
    $this->signIn();
    $this->visit(meetingPath($this, 'Grower exchange', '/plan'));
    $this->press('button', 'Show better times');
    $this->see('No time is fair to all');
    $this->pressAt("//button[@data-time='rota']");
    $this->see('Rota is marked.');
    $this->press('button', 'All dates');
    $this->press('button', 'Take the rota');
    $this->see('The rota is taken');
    // Some dates are at the time of the series, the others at times of their own.
    $clocks = fn(): array => array_values(array_unique((array) $this->browser->executeScript('return [...document.querySelectorAll("ol li button[aria-pressed] span:first-child span")].map((s) => s.innerText.trim()).filter((s) => /^[0-9]{2}:[0-9]{2}$/.test(s))')));
    $this->waitFor(fn(): bool => $clocks() !== [], 'dates at times of their own');
    expect(count($clocks()))->toBeBetween(1, 2);
    $this->press('button', 'Undo');
    $this->waitFor(fn(): bool => str_contains($this->css('h1')->getText(), 'at 15:30 Nairobi time'), 'the series as it was');
    $this->expectSaved();
});

it('puts the agenda in order by touch, by mouse and by keys', function (): void {
    $this->device(['width' => 390, 'height' => 844]);
    $this->signIn();
    $this->visit(meetingPath($this, 'Spring swap', '/plan'));
    $before = count($this->browser->findElements(WebDriverBy::cssSelector('#agenda li')));
    foreach (['One', 'Two', 'Three'] as $i => $title) {
        $this->press('button', 'Add an agenda item');
        $this->fill($this->field('Agenda item ' . ($before + $i + 1)), $title);
    }
    $order = fn(): array => array_slice((array) $this->browser->executeScript("return [...document.querySelectorAll('#agenda input[aria-label^=\"Agenda item\"]')].map((i) => i.value)"), $before);
    $middle = function (string $title): array {
        $at = (array) $this->browser->executeScript('arguments[0].scrollIntoView({block: "center"}); const r = arguments[0].getBoundingClientRect(); return [r.x + r.width / 2, r.y + r.height / 2]', [$this->find("//*[@aria-label='Move $title']")]);

        return ['x' => round($at[0]), 'y' => round($at[1])];
    };
    $tools = new ChromeDevToolsDriver($this->browser);
    $touch = static fn(string $type, ?array $point = null) => $tools->execute('Input.dispatchTouchEvent', ['type' => $type, 'touchPoints' => $point === null ? [] : [$point]]);
    $tools->execute('Emulation.setTouchEmulationEnabled', ['enabled' => true]);

    // A finger rests, then draws the third above the first.
    $at = $middle('Three');
    $touch('touchStart', $at);
    usleep(300_000);
    foreach ([10, 40, 70, 95] as $up) {
        $touch('touchMove', ['x' => $at['x'], 'y' => $at['y'] - $up]);
        usleep(60_000);
    }
    $touch('touchEnd');
    $tools->execute('Emulation.setTouchEmulationEnabled', ['enabled' => false]);
    $this->waitFor(fn(): bool => $order() === ['Three', 'One', 'Two'], 'the order by touch, not ' . implode(', ', $order()));

    // By keys: lifted, down one, put down.
    $handle = $this->find("//*[@aria-label='Move Three']");
    foreach ([WebDriverKeys::SPACE, WebDriverKeys::ARROW_DOWN, WebDriverKeys::SPACE] as $key) {
        $handle->sendKeys($key);
        usleep(150_000);
    }
    $this->waitFor(fn(): bool => $order() === ['One', 'Three', 'Two'], 'the order by keys');

    // By mouse, and it is kept.
    $this->device(['width' => 1280, 'height' => 800]);
    (new WebDriverActions($this->browser))->clickAndHold($this->find("//*[@aria-label='Move One']"))->moveByOffset(0, 20)->moveByOffset(0, 50)->release()->perform();
    $this->waitFor(fn(): bool => $order() === ['Three', 'Two', 'One'], 'the order by mouse');
    $this->see('draft saved at');
    $this->browser->navigate()->refresh();
    $this->waitFor(fn(): bool => $order() === ['Three', 'Two', 'One'], 'the order after loading');
    $this->expectQuietConsole();
});

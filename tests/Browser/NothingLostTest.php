<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** A fresh sheet with a title, kept. */
function freshSheet(object $test, string $title): void
{
    $test->visit('/meetings');
    $test->press('button', 'Plan a meeting');
    $test->fill($test->field('Title'), $title);
    $test->field('Title')->sendKeys(WebDriverKeys::ENTER);
    $test->see('draft saved at');
}

/** Runs something on the database of the house. */
function onDatabase(object $test, string $sql): void
{
    $pdo = new PDO('mysql:unix_socket=' . $test->setting('DB_SOCKET') . ';dbname=syndex', 'syndex', $test->setting('DB_PASSWORD'));
    $pdo->exec($sql);
}

/** @return list<int> process ids of a program of the house */
function housePids(string $program): array
{
    exec('bash -c ' . escapeshellarg('source ' . escapeshellarg(dirname(__DIR__, 2) . '/ops/lib.sh') . "; own_processes $program"), $lines);

    return array_map(static fn(string $line): int => (int) explode(' ', $line)[0], $lines);
}

it('keeps the sheet and what is typed while the database is away, says so, and hands it in when it is back', function (): void {
    $this->signIn();
    freshSheet($this, 'Paused database');
    $pids = housePids('database');
    array_map(static fn(int $pid): bool => posix_kill($pid, SIGSTOP), $pids);
    try {
        $this->fill($this->field('Purpose'), 'Typed while nobody answered');
        // A database that hangs is told by the web server's patience; here it is cut short.
        sleep(2);
        array_map(static fn(int $pid): bool => posix_kill($pid, SIGKILL), $pids);
        $this->waitFor(fn(): bool => str_contains($this->text(), 'draft saved at') || str_contains($this->text(), 'trying again'), 'an answer', 40);
    } finally {
        array_map(static fn(int $pid): bool => posix_kill($pid, SIGCONT), $pids);
    }
    expect($this->field('Purpose')->getAttribute('value'))->toBe('Typed while nobody answered');
    $this->waitFor(fn(): bool => str_contains($this->text(), 'draft saved at'), 'kept', 60);
    $this->browser->navigate()->refresh();
    $this->waitFor(fn(): bool => $this->field('Purpose')->getAttribute('value') === 'Typed while nobody answered', 'the purpose');
});

it('asks to sign in again when the session ended, over the page as it is, and goes on', function (): void {
    $this->signIn();
    freshSheet($this, 'Ended session');
    onDatabase($this, 'delete from sessions');
    $this->fill($this->field('Purpose'), 'Typed after the session ended');
    $this->see('Your session has ended');
    $this->expectAccessible('signing in again');
    $this->find("//*[@role='dialog']//input")->sendKeys(['seedling-demo', WebDriverKeys::ENTER]);
    $this->waitFor(fn(): bool => !str_contains($this->text(), 'Your session has ended') && str_contains($this->text(), 'draft saved at'), 'kept');
    expect($this->field('Purpose')->getAttribute('value'))->toBe('Typed after the session ended');
});

it('offers what could not be handed in, when the sheet is opened again', function (): void {
    $this->signIn();
    freshSheet($this, 'Left behind');
    $path = (string) parse_url($this->browser->getCurrentURL(), PHP_URL_PATH);
    // A browser that was closed before the server had it.
    $this->browser->executeScript(<<<'JS'
        const real = window.fetch;
        window.fetch = (url, asked) => (asked?.method === 'PUT' ? Promise.reject(new TypeError('away')) : real(url, asked));
        JS);
    $this->fill($this->field('Purpose'), 'Held on the device');
    $this->see('trying again');
    $this->expectAccessible('a sheet that is not kept');
    // Leaving asks.
    $this->press('a', 'People');
    $this->see('Not saved yet');
    $this->press('button', 'Stay here');
    expect(parse_url($this->browser->getCurrentURL(), PHP_URL_PATH))->toBe($path);
    $this->browser->executeScript('window.onbeforeunload = null; window.addEventListener("beforeunload", (e) => e.stopImmediatePropagation(), { capture: true });');
    $this->browser->get('about:blank');
    $this->browser->get($this->address($path));
    $this->see('It was never saved');
    $this->expectAccessible('an offer');
    $this->press('button', 'Use it');
    $this->see('draft saved at');
    expect($this->field('Purpose')->getAttribute('value'))->toBe('Held on the device');
    $this->press('button', 'Undo');
    $this->waitFor(fn(): bool => $this->field('Purpose')->getAttribute('value') === '', 'undone');
    $this->press('button', 'Redo');
    $this->waitFor(fn(): bool => $this->field('Purpose')->getAttribute('value') === 'Held on the device', 'redone');
});

it('takes what was typed and not entered when Read back is pressed within a second, or points at it', function (): void {
    $this->signIn();
    freshSheet($this, 'Pressed at once');
    $this->fill($this->field('Purpose'), 'Edited a moment ago');
    $this->field('Add a person')->sendKeys('typed.only@orchard.example, Karl Drei <karl.drei@orchard.example>');
    $this->press('button', 'Read back');
    $this->see('goes to 3 people');
    expect($this->text())->toContain('Karl Drei')->toContain('typed.only@orchard.example')->toContain('Edited a moment ago');
    $this->press('button', 'Back to the sheet');
    $this->field('Add a person')->sendKeys('Nobody Of This Name');
    $this->press('button', 'Read back');
    $this->see('This has not been added yet');
    $this->field('Add a person')->sendKeys(WebDriverKeys::ESCAPE);
    $this->press('button', 'Type it');
    $this->fill($this->field('When and how often, in words'), 'weekly on tuesday 16:00, 30 minutes, nairobi, 4 times');
    $this->press('button', 'Read back');
    $this->see('4 dates');
});

it('can read back and send once more after taking back', function (): void {
    $this->signIn();
    freshSheet($this, 'Taken back');
    $this->fill($this->field('Add a person'), 'taken.back@orchard.example');
    $this->press('button', 'Read back');
    $this->see('goes to 2 people');
    // Nothing leaves while the worker is held.
    $workers = array_filter(housePids('worker'), static fn(int $pid): bool => str_contains((string) @file_get_contents("/proc/$pid/cmdline"), 'outbox:work'));
    array_map(static fn(int $pid): bool => posix_kill($pid, SIGSTOP), $workers);
    try {
        $this->press('button', 'Send 2 invitations');
        $this->see('Sent on');
        $id = basename((string) parse_url($this->browser->getCurrentURL(), PHP_URL_PATH));
        $this->browser->executeScript("return fetch('/api/meetings/$id/take-back', { method: 'POST', headers: { Accept: 'application/json', 'X-XSRF-TOKEN': decodeURIComponent(/XSRF-TOKEN=([^;]*)/.exec(document.cookie)[1]) } }).then((r) => r.status)");
        $this->visit("/meetings/$id/plan");
        $this->see('A single meeting, draft saved');
        $this->press('button', 'Read back');
        $this->see('goes to 2 people');
        $this->press('button', 'Send 2 invitations');
        $this->see('Sent on');
        expect(parse_url($this->browser->getCurrentURL(), PHP_URL_PATH))->toBe("/meetings/$id");
    } finally {
        array_map(static fn(int $pid): bool => posix_kill($pid, SIGCONT), $workers);
    }
});

it('finds meetings however fast one types', function (): void {
    $this->signIn();
    $this->visit('/meetings');
    $field = $this->field('Search');
    $field->sendKeys('quarterly trials');
    $this->see('1 meeting in all');
    expect($field->getAttribute('value'))->toBe('quarterly trials');
    $this->waitFor(fn(): bool => str_contains($this->browser->getCurrentURL(), 'q=quarterly'), 'the address');
    $this->browser->findElement(WebDriverBy::xpath("//a[.='Quarterly trials']"))->click();
    $this->see('Sent on');
    $this->browser->navigate()->back();
    $this->waitFor(fn(): bool => $this->field('Search')->getAttribute('value') === 'quarterly trials', 'what was searched for');
});

it('asks what is meant where a series cannot be moved as it is', function (): void {
    $this->signIn();
    freshSheet($this, 'Second Tuesdays');
    $this->press('button', 'Type it');
    $this->fill($this->field('When and how often, in words'), 'every second tuesday of the month 22:00, 45 minutes, nairobi, 12 times');
    $this->field('When and how often, in words')->sendKeys(WebDriverKeys::ENTER);
    $this->see('second Tuesday');
    for ($i = 0; $i < 9; $i++) {
        $this->press('button', '+15 minutes: a quarter of an hour later');
        usleep(350_000);
        if (str_contains($this->text(), 'Moved past midnight')) {
            break;
        }
    }
    $this->see('Moved past midnight');
    $this->see('second Wednesday');
    $this->expectAccessible('the question');
    $this->press('button', 'Move each date by itself');
    $this->waitFor(fn(): bool => !str_contains($this->text(), 'Moved past midnight') && str_contains($this->text(), 'second Wednesday'), 'moved');
});

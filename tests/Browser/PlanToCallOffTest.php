<?php

declare(strict_types=1);

use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

it('plans a weekly series in five zones, sends it, and calls it off', function (): void {
    $this->signIn();
    $this->press('button', 'Plan a meeting');

    // What: the title editor of an empty sheet is open already.
    $this->fill($this->field('Title'), 'Seed swap');
    $this->field('Title')->sendKeys(WebDriverKeys::ENTER);
    $this->see('Seed swap, on');
    $this->fill($this->field('Purpose'), 'Who sends what to whom.');
    $this->press('button', 'Add an agenda item');
    $this->fill($this->field('Agenda item 1'), 'Shipping');
    $this->press('button', 'Add an agenda item');
    $this->fill($this->field('Agenda item 2'), 'Arrivals');
    $this->field('Agenda item 2')->sendKeys([WebDriverKeys::ALT, WebDriverKeys::ARROW_UP]);
    expect($this->field('Agenda item 1')->getAttribute('value'))->toBe('Arrivals');

    // Who: by name without accents, and by address with a slip.
    foreach (['ines var' => 'Inês Varela', 'paulo' => 'Paulo Cárdim', 'anil' => 'Anil Sherpani', 'mere' => 'Mere Tautari'] as $typed => $name) {
        $this->field('Add a person')->sendKeys($typed);
        $this->pressAt("//*[@role='option'][contains(., '$name')]");
        $this->find("//*[@data-testid='attendee'][contains(., '$name')]");
    }
    $this->field('Add a person')->sendKeys('guest@orchard,example');
    $this->pressAt("//*[@role='option'][contains(., 'Did you mean guest@orchard.example')]");
    $this->find("//*[@data-testid='attendee'][contains(., 'guest@orchard.example')]");

    // When: a Tuesday in a year's March, at 15:30, 45 minutes, 12 times weekly.
    $this->pressAt("//button[starts-with(@aria-label, 'First date')]");
    $this->set($this->field('First date'), '2027-03-02');
    $this->press('button', 'Repeat it');
    $this->pressAt("//button[starts-with(@aria-label, 'Time:')]");
    $this->set($this->field('Time'), '15:30');
    $this->field('Time')->sendKeys(WebDriverKeys::ENTER);
    $this->pressAt("//button[starts-with(@aria-label, 'Length')]");
    $this->pressAt("//button[contains(., '45 minutes') and contains(., 'leaves time for a break')]");
    $this->pressAt("//button[starts-with(@aria-label, 'Until when')]");
    $this->set($this->field('How many times'), '12');
    $this->press('button', 'Done');
    $this->see('every Tuesday at 15:30 Nairobi time for 45 minutes, 12 times from 2 March 2027.');

    // Everybody's clock beside the bar, and the clocks that change on the way.
    $this->waitFor(fn(): bool => count($this->browser->findElements(WebDriverBy::cssSelector('[data-testid=flag]'))) === 5, 'five flags');
    $flags = array_map(static fn($flag) => explode("\n", $flag->getText())[0], $this->browser->findElements(WebDriverBy::cssSelector('[data-testid=flag]')));
    expect($flags)->toBe(['07:30', '12:30', '15:30', '18:15', '01:30']);
    $this->see('Lisbon: clocks change');

    // The bar: dragged an hour up, then nudged back by keys.
    $bar = $this->css('[data-testid=bar]');
    $pane = $this->css('[data-testid=pane]');
    $hour = (int) round($pane->getSize()->getHeight() / 24);
    (new WebDriverActions($this->browser))->clickAndHold($bar)->moveByOffset(0, -$hour)->release()->perform();
    $this->see('at 14:30 Nairobi');
    expect((string) $this->css('[data-testid=bar]')->getAttribute('aria-valuetext'))->toStartWith('14:30 Nairobi');
    $this->css('[data-testid=bar]')->sendKeys(WebDriverKeys::ARROW_DOWN);
    $this->see('at 14:45 Nairobi');
    $this->css('[data-testid=bar]')->sendKeys(WebDriverKeys::ARROW_RIGHT);
    $this->see('for 1 hour');
    $this->press('button', 'Undo');
    $this->see('for 45 minutes');

    // How to join: a room of the bridge.
    $this->set($this->field('How to join'), 'online');
    $this->see('meet.syndex.example/j/');

    // All dates.
    $this->press('button', 'All dates');
    $this->see('All 12 dates side by side');
    $this->press('button', 'One day');

    // A date is dropped and put back.
    $this->pressAt("//button[starts-with(@aria-label, 'Leave out ')]");
    $this->see('is left out');
    $this->press('button', 'put it back');

    // Read back, in another recipient's time.
    $this->press('button', 'Read back');
    $this->see('Seed swap goes to 6 people.');
    // On some days the demo has so much on one of these dates that nights stand behind “more”.
    $this->browser->executeScript("[...document.querySelectorAll('section[aria-labelledby=odd] button')].find((b) => /^\\d+ more$/.test(b.innerText))?.click()");
    $this->see('night');
    $this->press('button', 'Mere Tautari');
    $this->see('Auckland time');
    $this->press('button', 'As plain text');
    $this->see('Wednesday 3 March 2027, 00:45');
    $this->expectAccessible('read-back');

    // Send, and read it in the post room.
    $this->press('button', 'Send 6 invitations');
    $this->see('Sent on');
    $this->waitFor(fn(): bool => $this->mails('guest@orchard.example') !== [], 'the mail in the post room', 20);
    $mail = $this->mails('guest@orchard.example')[0];
    expect($mail['subject'])->toStartWith('Seed swap:');
    $calendar = (string) file_get_contents($this->setting('POSTROOM_PAGE') . '/mails/' . $mail['number'] . '/calendar');
    expect($calendar)->toContain('METHOD:REQUEST')->toContain('DTSTART;TZID=Africa/Nairobi:20270302T144500')->toContain('RRULE:FREQ=WEEKLY;COUNT=12;BYDAY=TU');
    $this->see('sent');
    $page = $this->browser->getCurrentURL();

    // Call off.
    $this->press('button', 'Call off');
    $this->see('All 6 people invited get a cancellation');
    $this->pressAt("//*[@role='dialog']//button[normalize-space(.)='Call off']");
    $this->see('Called off on');
    $this->waitFor(fn(): bool => count($this->mails('guest@orchard.example')) === 2, 'the calling off in the post room', 20);
    expect((string) file_get_contents($this->setting('POSTROOM_PAGE') . '/mails/' . $this->mails('guest@orchard.example')[0]['number'] . '/calendar'))
        ->toContain('METHOD:CANCEL')->toContain('SEQUENCE:1')->toContain('STATUS:CANCELLED');
    expect($this->browser->getCurrentURL())->toBe($page);
    $this->expectQuietConsole();
});

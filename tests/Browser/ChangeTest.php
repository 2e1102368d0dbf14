<?php

declare(strict_types=1);

use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

it('changes a sent meeting: reads back who hears what, sends it, and each gets what concerns them', function (): void {
    $this->signIn();
    $this->visit('/meetings?which=sent&q=orchid');
    $this->pressAt("//main//a[normalize-space(.)='Orchid round']");
    $this->see('Sent on');
    $this->press('button', 'Change it');
    $this->see('A change, nothing has been sent');
    $this->see('required');

    // Somebody is taken out, and it begins half an hour later.
    $people = array_map(static fn(RemoteWebElement $row): string => $row->findElement(WebDriverBy::cssSelector('.font-semibold'))->getText(), $this->browser->findElements(WebDriverBy::cssSelector('[data-testid=attendee]')));
    $out = $people[count($people) - 1];
    $this->pressAt("//*[@data-testid='attendee'][contains(., '$out')]");
    $this->press('button', 'Remove');
    $this->pressAt("//button[starts-with(@aria-label, 'Time:')]");
    $this->set($this->field('Time'), '16:00');
    $this->field('Time')->sendKeys(WebDriverKeys::ENTER);
    $this->see('at 16:00');
    $this->see('saved at');

    // What differs is said, and put back part by part.
    $this->see('Not as it was sent:');
    $this->press('button', 'Put it back as it was sent: when and how often');
    $this->see('at 15:30');
    $this->press('button', 'Undo');
    $this->see('at 16:00');
    $this->see('saved at');

    // It waits: the meeting is as it was sent, and says so.
    $this->press('button', 'Read back');
    $this->see('What is different');
    $this->expectAccessible('the read-back of a change');
    $this->press('button', 'Save without sending');
    $this->see('A change of this meeting waits');
    $this->see('15:30');
    $this->expectAccessible('a meeting whose change waits');
    $this->visit('/meetings?which=sent&q=orchid');
    $this->see('a change waits');
    $this->visit('/');
    $this->see('Change not sent: Orchid round');
    $this->pressAt("//a[contains(@href, '/plan')][ancestor::*[contains(., 'Change not sent: Orchid round')]]");
    $this->see('A change, nothing has been sent');

    // Read back again, and sent.
    $this->press('button', 'Read back');
    $this->see('What is different');
    $row = fn(string $name): string => $this->find("//table//tr[contains(., '$name')]")->getText();
    expect($row($out))->toContain('taken out');
    $first = $people[0];
    expect($row($first))->toContain('new time');
    $this->pressAt("//button[starts-with(normalize-space(.), 'Send it to')]");
    $this->see('is changed;');
    $this->see('16:00');
    $this->see('Changed on');
    // What went out, and the history of it.
    $this->find("//section[@aria-labelledby='history']//li[contains(., '15:30 Nairobi time') or contains(., '15:30 ')][contains(., 'people told')]");
    $this->find("//section[@aria-labelledby='sent']//li[contains(., 'Calling off')]");
    expect($this->text())->not->toContain('A change of this meeting waits')->not->toContain($out . ' ');

    $mail = function (string $name, string $subject): array {
        $address = str_replace(' ', '.', strtolower(iconv('UTF-8', 'ASCII//TRANSLIT', $name))) . '@sakura-seed.example';
        $found = [];
        $this->waitFor(function () use ($address, $subject, &$found): bool {
            foreach ($this->mails($address) as $one) {
                if (str_starts_with($one['subject'], $subject) && str_contains($one['subject'], 'Orchid round')) {
                    $found = (array) json_decode((string) file_get_contents($this->setting('POSTROOM_PAGE') . '/api/mails/' . $one['number']), true);
                }
            }

            return $found !== [];
        }, "\"$subject\" to $address", 20);

        return $found;
    };
    expect($mail($first, 'Changed:')['text'])->toContain('Time: was 15:30')->toContain('now 16:00');
    expect($mail($out, 'No longer invited:')['text'])->toContain('has taken you off the list');
    $this->expectQuietConsole();
});

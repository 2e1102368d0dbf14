<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverKeys;

it('lets an attendee change a meeting and invite others where it says so', function (): void {
    $title = 'Bench tour ' . bin2hex(random_bytes(2));
    $this->signIn();
    $this->press('button', 'Plan a meeting');
    $this->fill($this->field('Title'), $title);
    $this->see("$title, on");
    foreach (['ines var' => 'Inês Varela', 'birte' => 'Birte Aldenhoff'] as $typed => $shown) {
        $this->field('Add a person')->sendKeys($typed);
        $this->pressAt("//*[@role='option'][contains(., '$shown')]");
        $this->find("//*[@data-testid='attendee'][contains(., '$shown')]");
    }
    $this->pressAt("//button[starts-with(@aria-label, 'Time:')]");
    $this->set($this->field('Time'), '15:00');
    $this->field('Time')->sendKeys(WebDriverKeys::ENTER);
    $this->set($this->field('How to join'), 'online');
    $this->press('button', 'Who gets in');
    $this->pressAt("//button[starts-with(@aria-label, 'Who of the attendees may change the meeting')]");
    $this->pressAt("//label[contains(., 'Everybody who is asked and has an account here.')]");
    $this->see('Beside whoever plans, everybody of the attendees may change the meeting, and nobody may invite others.');
    $this->expectAccessible('what attendees may do');
    $this->expectSaved();
    $this->press('button', 'Read back');
    $this->pressAt("//button[starts-with(normalize-space(.), 'Send 3 invitations')]");
    $this->see('Sent on');
    $path = (string) parse_url($this->browser->getCurrentURL(), PHP_URL_PATH);
    $this->waitFor(fn(): bool => count($this->mails('birte.aldenhoff@sakura-seed.example')) > 0, 'the invitation', 30);

    $this->forget();
    $this->signIn('Inês Varela');
    $this->visit($path);
    $this->press('button', 'Change it');
    $this->see('A change, nothing has been sent');
    // What is the coordinator's to say is not offered.
    $this->press('button', 'Who gets in');
    $this->see('Something is presented by');
    expect($this->text())->not->toContain('Beside whoever plans');
    $this->press('button', 'Back to the sheet');
    $this->pressAt("//button[starts-with(@aria-label, 'Time:')]");
    $this->set($this->field('Time'), '16:00');
    $this->field('Time')->sendKeys(WebDriverKeys::ENTER);
    $this->see('at 16:00');
    $this->expectSaved();
    $this->press('button', 'Read back');
    $this->see('What is different');
    $this->pressAt("//button[starts-with(normalize-space(.), 'Send it to')]");
    $this->see('is changed;');

    $this->press('button', 'Invite others');
    $this->see('Who else is invited?');
    $this->field('Add a person')->sendKeys('tomas');
    $this->pressAt("//*[@role='option'][contains(., 'Tomás')]");
    $this->expectAccessible('whom to invite');
    $this->press('button', 'Invite 1 person');
    $this->see('is invited.');
    $this->see('optional');
    $this->expectQuietConsole();
});

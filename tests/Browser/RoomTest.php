<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverKeys;

/** What the picture says of somebody, as it is read aloud. */
const SPOKEN = "//li[.//strong[.='%s']]//p[contains(@class, 'sr-only')]";

/** Drafts of a title are thrown away, so that they stand in nobody else's way. */
const DISCARD = <<<'JS'
    const done = arguments[arguments.length - 1];
    fetch(`/api/meetings?which=drafts&q=${encodeURIComponent(arguments[0])}`).then((r) => r.json()).then(({ meetings }) => fetch('/api/meetings/discard', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-XSRF-TOKEN': decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)[1]) },
      body: JSON.stringify({ ids: meetings.map(({ id }) => id) }),
    })).then(({ status }) => done(status), (e) => done(String(e)));
    JS;

it('settles who gets in by keys, shows it at once, and meets a lock of the house', function (): void {
    $guest = 'petra.' . bin2hex(random_bytes(3)) . '@lomas.example';
    $this->signIn();
    $this->press('button', 'Plan a meeting');
    $this->fill($this->field('Title'), 'Board of the seed bank');
    $this->field('Title')->sendKeys(WebDriverKeys::ENTER);
    $this->see('Board of the seed bank, on');
    foreach (['ines var' => 'Inês Varela', $guest => $guest] as $typed => $shown) {
        $this->field('Add a person')->sendKeys($typed);
        $this->pressAt("//*[@role='option'][contains(., '$shown')]");
        $this->find("//*[@data-testid='attendee'][contains(., '$shown')]");
    }
    $this->pressAt("//button[starts-with(@aria-label, 'Time:')]");
    $this->set($this->field('Time'), '15:00');
    $this->field('Time')->sendKeys(WebDriverKeys::ENTER);
    $this->set($this->field('How to join'), 'online');
    $this->see('Doors open 10 minutes ahead; outside guests wait in the lobby.');
    $this->press('button', 'Who gets in');
    $this->see('What will happen to each');
    $says = fn(string $who): string => (string) $this->browser->executeScript('return arguments[0].textContent', [$this->find(sprintf(SPOKEN, $who))]);
    $this->waitFor(fn(): bool => $says($guest) === 'from 14:45 closed; from 14:50 lobby until the host comes; from 15:00 lobby until let in', 'the minutes of the guest');
    expect($says('somebody with the link'))->toBe('from 14:45 refused: only who is invited');
    $this->expectAccessible('who gets in');

    // By keys alone: the doors, and when the host comes.
    $this->find("//button[starts-with(@aria-label, 'Doors, minutes ahead')]")->sendKeys(WebDriverKeys::ENTER);
    $this->waitFor(fn(): bool => $this->browser->executeScript('return document.activeElement.tagName') === 'INPUT', 'the field of the doors');
    $this->browser->getKeyboard()->sendKeys([WebDriverKeys::CONTROL, 'a']);
    $this->browser->getKeyboard()->releaseKey(WebDriverKeys::CONTROL);
    $this->browser->getKeyboard()->sendKeys(['5', WebDriverKeys::ENTER]);
    $this->waitFor(fn(): bool => str_contains($says('Inês Varela'), 'from 14:55 lobby until the host comes; from 15:00 comes in'), 'doors five minutes ahead');
    $this->find("//*[@role='slider'][@aria-label='The host comes']")->sendKeys(str_repeat(WebDriverKeys::ARROW_RIGHT, 3));
    $this->waitFor(fn(): bool => str_contains($says('Inês Varela'), 'from 15:03 comes in'), 'the host three minutes late');
    $this->see('2 of 3 are in by 15:03.');
    $this->see("$guest needs to be let in.");

    // What does not go together is said, with the way out.
    $this->pressAt("//button[starts-with(@aria-label, 'Signing in')]");
    $this->pressAt("//label[contains(., 'Outside guests cannot.')]");
    $this->see('Outside guests cannot sign in');
    $this->see("$guest would be refused.");
    $this->expectAccessible('settings that do not go together');
    $this->press('button', 'No signing in, they wait in the lobby');
    $this->waitFor(fn(): bool => str_contains($says($guest), 'lobby until let in'), 'the guest in the lobby');
    $this->see('who has not signed in');
    $this->press('button', 'Undo');
    $this->see('Outside guests cannot sign in');
    $this->press('button', 'Read back');
    $this->see('Send 3 invitations');
    $this->see('Outside guests cannot sign in');
    $this->browser->navigate()->back();
    $this->see('Who gets in');
    $this->forget();

    // The house locks it; the coordinator sees by whom.
    $this->signIn('Joram Kiptui');
    $this->visit('/house-rules');
    $this->pressAt("//button[@aria-label='open for meetings: Signing in']");
    $this->find("//button[@aria-label='locked for meetings: Signing in']");
    $this->expectAccessible('house rules with a lock');
    $this->forget();
    try {
        $this->signIn();
        $this->visit('/meetings?which=drafts');
        $this->pressAt("//main//a[.='Board of the seed bank']");
        $this->see('Doors open 5 minutes ahead');
        $this->press('button', 'Who gets in');
        $this->see('house rule');
        $this->see('Signing in is not needed');
        expect($this->browser->executeAsyncScript(DISCARD, ['Board of the seed bank']))->toBe(200);
        $this->forget();
    } finally {
        $this->signIn('Joram Kiptui');
        $this->visit('/house-rules');
        $this->pressAt("//button[@aria-label='locked for meetings: Signing in']");
        $this->find("//button[@aria-label='open for meetings: Signing in']");
        $this->forget();
    }
});

it('makes a blueprint of a meeting and starts from it with two presses', function (): void {
    $name = 'Vault round ' . bin2hex(random_bytes(2));
    $this->signIn();
    $this->press('button', 'Plan a meeting');
    $this->fill($this->field('Title'), 'Vault round');
    $this->field('Title')->sendKeys(WebDriverKeys::ENTER);
    $this->see('Vault round, on');
    $this->set($this->field('How to join'), 'online');
    $this->press('button', 'Who gets in');
    $this->see('What will happen to each');
    $this->pressAt("//button[starts-with(@aria-label, 'Whom the lobby holds')]");
    $this->pressAt("//label[contains(., 'Hosts and co-hosts come straight in all the same.')]");
    $this->press('button', 'Back to the sheet');
    $this->see('everybody waits in the lobby');
    $this->press('button', 'Keep as a blueprint');
    $this->see('It keeps what the meeting is');
    $this->set($this->field('Name'), $name);
    $this->expectAccessible('keeping a blueprint');
    $this->press('button', 'Save');
    $this->see("The blueprint $name is kept.");

    // From anywhere: the palette, and its name.
    $this->visit('/people');
    $this->see('people');
    $this->browser->getKeyboard()->sendKeys([WebDriverKeys::CONTROL, 'k']);
    $this->browser->getKeyboard()->releaseKey(WebDriverKeys::CONTROL);
    $this->pressAt("//*[@role='option'][contains(., 'Plan: $name')]");
    $this->see("From the blueprint $name");
    $this->see('everybody waits in the lobby');

    // Where it differs, it says so; and the blueprint takes it over.
    $this->fill($this->field('Purpose'), 'Count the spare keys.');
    $this->see('saved at');
    $this->visit('/blueprints');
    $this->find("//li[contains(., '$name')][contains(., 'used once')]");
    $this->expectAccessible('blueprints');
    $this->browser->navigate()->back();
    $this->see('otherwise in purpose');
    $this->press('button', 'Take this over into the blueprint');
    $this->see('is as this meeting now');
    $this->visit('/blueprints');
    $this->pressAt("//button[@aria-label='Delete: $name']");
    $this->see('Meetings that were started from it stay as they are.');
    $this->pressAt("//*[@role='dialog']//button[.='Delete']");
    $this->see("The blueprint $name is deleted.");
    expect($this->browser->executeAsyncScript(DISCARD, ['Vault round']))->toBe(200);
});

it('holds a meeting in the lasting room of its host, and says who still holds its link', function (): void {
    $mark = bin2hex(random_bytes(3));
    $this->signIn();
    $plan = function (string $title, array $guests): void {
        $this->press('button', 'Plan a meeting');
        $this->fill($this->field('Title'), $title);
        $this->field('Title')->sendKeys(WebDriverKeys::ENTER);
        $this->see("$title, on");
        foreach ($guests as $guest) {
            $this->field('Add a person')->sendKeys($guest);
            $this->pressAt("//*[@role='option'][contains(., '$guest')]");
            $this->find("//*[@data-testid='attendee'][contains(., '$guest')]");
        }
        $this->set($this->field('How to join'), 'online');
        $this->pressAt("//button[starts-with(@aria-label, 'Which room')]");
        $this->pressAt("//label[contains(., 'lasting room')]");
        $this->see('Wanjiru Achola’s lasting room');
    };
    $first = "lena.$mark@orchard.example";
    $plan("Seed table $mark", [$first]);
    // Somebody stands in, and there are smaller rooms.
    $this->press('button', 'Who gets in');
    $this->see('What will happen to each');
    $this->pressAt("//button[starts-with(@aria-label, 'Smaller rooms')]");
    $this->press('button', 'Add a smaller room');
    $this->press('button', 'Add a smaller room');
    $this->press('button', 'Spread everybody evenly');
    $this->see('Room 1 (1 person) and Room 2 (1 person)');
    $this->expectAccessible('smaller rooms');
    $this->browser->getKeyboard()->sendKeys([WebDriverKeys::ESCAPE]);
    $this->press('button', 'Back to the sheet');
    $this->press('button', 'Read back');
    $this->press('button', 'Send 2 invitations');
    expect($this->mail($first, "Seed table $mark")['text'])->toContain('When people part into smaller rooms, you are in');

    $this->visit('/meetings');
    $plan("Second table $mark", []);
    $this->see('still holds this link from earlier meetings');
    $this->expectAccessible('a lasting room that others hold');
    $this->press('button', 'Give it a new passcode');
    $this->see('The room has a new passcode.');
    $this->waitFor(fn(): bool => !str_contains($this->text(), 'still holds this link'), 'nobody to hold the link');
    // On the person's page it says which meetings are held there, and whose people hold the old way in.
    $this->visit('/me');
    $this->see('held in it');
    $this->see('people hold the old way in');
    $this->expectAccessible('a person with a lasting room');
    // Clear of the foot of the page, which stays where it is.
    $this->browser->executeScript('arguments[0].scrollIntoView({block: "center"})', [$this->find("//button[.='Choose an address']")]);
    $this->press('button', 'Choose an address');
    $this->fill($this->field('Address'), 'wanjiru-achola');
    $this->field('Address')->sendKeys(WebDriverKeys::ENTER);
    $this->see('names can be guessed');
    $this->fill($this->field('Address'), "seed-table-$mark");
    $this->field('Address')->sendKeys(WebDriverKeys::ENTER);
    $this->see("https://meet.syndex.example/r/seed-table-$mark");
    $this->pressAt("//main//a[.='Seed table $mark']");
    $this->press('button', 'Call off');
    $this->pressAt("//*[@role='dialog']//button[starts-with(., 'Call off')]");
    $this->see('Called off on');
    expect($this->browser->executeAsyncScript(DISCARD, ["Second table $mark"]))->toBe(200);
});

it('begins right now with two presses, calls somebody in, and has the link at hand', function (): void {
    $guest = 'sora.' . bin2hex(random_bytes(3)) . '@hako.example';
    $this->signIn();
    $this->visit('/people?q=Birte');
    $this->pressAt("//main//a[contains(., 'Birte Aldenhoff')]");
    $this->pressAt("//a[.='Talk now']");
    $this->see('A meeting that begins this minute.');
    $this->waitFor(fn(): bool => $this->field('Title')->getAttribute('value') === 'A word with Birte', 'a title');
    $this->expectAccessible('a meeting right now');
    $title = 'Seed word ' . bin2hex(random_bytes(2));
    $this->fill($this->field('Title'), $title);
    $this->press('button', 'Begin now');
    $this->see('Going on now');
    $this->see('https://meet.syndex.example/j/');
    $this->expectAccessible('a meeting that goes on');
    $this->field('Add a person')->sendKeys($guest);
    $this->pressAt("//*[@role='option'][contains(., '$guest')]");
    $this->see("$guest is called in.");
    $mail = $this->mail($guest, $title);
    expect($mail['text'])->toContain('https://meet.syndex.example/j/');
    // It stands on Today as running, and can be planned again; nobody is kept waiting by the test.
    $this->visit('/');
    $this->find("//li[contains(., '$title')][contains(., 'now')]");
    $this->pressAt("//main//a[.='$title']");
    $this->press('button', 'Call off');
    $this->pressAt("//*[@role='dialog']//button[starts-with(., 'Call off')]");
    $this->see('Called off on');
});

it('gives a sent meeting another passcode, and tells those who hold the old one by one press', function (): void {
    $guest = 'otto.' . bin2hex(random_bytes(3)) . '@lomas.example';
    $this->signIn();
    $this->visit('/now');
    $this->see('A meeting that begins this minute.');
    $this->field('Add a person')->sendKeys($guest);
    $this->pressAt("//*[@role='option'][contains(., '$guest')]");
    $this->press('button', 'Begin now');
    $this->see('Going on now');
    $first = $this->mail($guest, 'A word with');
    $this->press('button', 'QR code of the link');
    $this->find("//*[local-name()='svg'][@aria-label='The link, for a telephone that looks at it']");
    $this->expectAccessible('a QR code');
    $this->browser->getKeyboard()->sendKeys([WebDriverKeys::ESCAPE]);
    $this->press('button', 'Make the way in anew');
    $this->see('2 people hold what was sent.');
    $this->expectAccessible('making the way in anew');
    $this->press('button', 'Make it anew');
    $this->see('What 2 people hold no longer opens the room.');
    $this->expectAccessible('an old way in');
    $this->visit('/');
    $this->see('Old way in: A word with');
    $this->browser->navigate()->back();
    $this->press('button', 'Tell them now');
    $this->see('2 people are told.');
    $second = $this->mail($guest, 'Changed: A word with', 'The passcode is a new one');
    preg_match('/passcode (\w{8})/', $first['text'], $old);
    expect($old[1] ?? '')->not->toBe('')->and($second['text'])->not->toContain($old[1]);
    $this->press('button', 'Call off');
    $this->pressAt("//*[@role='dialog']//button[starts-with(., 'Call off')]");
    $this->see('Called off on');
});

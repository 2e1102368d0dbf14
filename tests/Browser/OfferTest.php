<?php

declare(strict_types=1);

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Support\Chrome;

it('runs a time-offer round with two guests, each in a browser and a zone of their own', function (): void {
    $coordinator = $this->browser;
    [$first, $second] = [new Chrome(), new Chrome()];
    try {
        $lima = $first->open(['width' => 390, 'height' => 844, 'zone' => 'America/Lima']);
        $tokyo = $second->open(['width' => 390, 'height' => 844, 'zone' => 'Asia/Tokyo', 'dark' => true]);
        $in = function (RemoteWebDriver $browser, Closure $doing) use ($coordinator): void {
            $this->browser = $browser;
            try {
                $doing();
            } finally {
                $this->browser = $coordinator;
            }
        };

        // Of whom nothing is known yet.
        $mark = bin2hex(random_bytes(3));
        [$petra, $sora] = ["petra.$mark@lomas.example", "sora.$mark@hako.example"];
        // Scrolled to, as a thumb does, from under the line at the foot.
        $pick = function (int $nth, string $reply): void {
            $path = "(//fieldset)[$nth]//label[normalize-space(.)='$reply']";
            $this->browser->executeScript("arguments[0].scrollIntoView({ block: 'center' })", [$this->find($path)]);
            $this->pressAt($path);
        };

        // A meeting with a colleague and two guests of whom only the address is known.
        $this->signIn();
        $this->press('button', 'Plan a meeting');
        $this->fill($this->field('Title'), 'Bulb viewing');
        $this->field('Title')->sendKeys(WebDriverKeys::ENTER);
        $this->see('Bulb viewing, on');
        foreach (['ines var' => 'Inês Varela', $petra => $petra, $sora => $sora] as $typed => $shown) {
            $this->field('Add a person')->sendKeys($typed);
            $this->pressAt("//*[@role='option'][contains(., '$shown')]");
            $this->find("//*[@data-testid='attendee'][contains(., '$shown')]");
        }
        $this->pressAt("//button[starts-with(@aria-label, 'First date')]");
        $this->set($this->field('First date'), '2027-03-02');
        $this->field('First date')->sendKeys(WebDriverKeys::ESCAPE);
        $this->pressAt("//button[starts-with(@aria-label, 'Time:')]");
        $this->set($this->field('Time'), '15:00');
        $this->field('Time')->sendKeys(WebDriverKeys::ENTER);
        $this->set($this->field('How to join'), 'in_person');
        $this->fill($this->field('Place'), 'Glasshouse 2');
        $this->see('saved at');

        // Two times from the list, by key, and one of one's own.
        $this->press('button', 'Show better times');
        $this->see('How they are ranked');
        $this->waitFor(fn(): bool => $this->browser->executeScript('return document.activeElement.dataset.time ?? ""') !== '', 'a time with the focus');
        $this->browser->switchTo()->activeElement()->sendKeys('o');
        $this->press('button', 'Offer 1 time to guests');
        $this->see('Offer times to outside guests');
        $this->set($this->field('On'), '2027-03-03');
        $this->set($this->field('At'), '16:30');
        $this->press('button', 'Add this time');
        $this->see('Wednesday 3 March, 16:30');
        $this->expectAccessible('the offer');
        $this->pressAt("//*[@role='dialog']//textarea");
        $this->browser->switchTo()->activeElement()->sendKeys('Which suits you?');
        $this->press('button', 'Offer to 2 guests');
        $this->see('2 guests get a link of their own.');
        $this->see('Nobody of 2 has answered.');
        $this->expectAccessible('the answers');

        $link = function (string $address): string {
            preg_match('#https?://\S+/g/\w+#', $this->mail($address, 'Which time suits you? Bulb viewing')['text'], $m);

            return $m[0] ?? '';
        };

        // Petra, in Lima: by her own clock, large; 16:30 in Nairobi is 08:30 there (IANA zone data).
        $lima->get($link($petra));
        $in($lima, function () use ($pick): void {
            $this->see('Where will you be? Times by the clock in Lima');
            $this->see('Which suits you?');
            $this->see('08:30');
            $this->see('16:30 on Wednesday in Nairobi.');
            $this->expectAccessible('the guest’s page, with questions');
            $this->expectNoSidewaysScroll('the guest’s page');
            foreach ([1 => 'I cannot come', 2 => 'I will come'] as $nth => $reply) {
                $pick($nth, $reply);
            }
            $this->see('You have answered to every time.');
            $this->press('button', 'Send my answer');
            $this->see('Your answer has arrived.');
            $this->expectAccessible('the guest’s page, answered');
            $this->expectQuietConsole();
        });
        // The coordinator sees it arrive without asking, and Petra on her clock.
        $this->see('1 of 2 has answered.');
        $this->find("//section[@aria-label='Who was asked']//li[contains(., '$petra')][contains(., 'Lima')]");
        $this->waitFor(fn(): bool => $this->browser->findElements(WebDriverBy::cssSelector('[data-said=declined]')) !== [], 'her answer on her thread');

        // Sora's device is in Tokyo, but Sora is in Lisbon; by keys alone.
        $tokyo->get($link($sora));
        $in($tokyo, function () use ($pick): void {
            $this->see('Times by the clock in Tokyo');
            $this->see('22:30');
            $this->press('button', 'I am somewhere else');
            $this->set($this->field('My clock is that of'), 'Europe/Lisbon');
            $this->see('Times by the clock in Lisbon.');
            $this->see('13:30');
            $this->expectAccessible('the guest’s page, elsewhere, in the dark');
            $radio = $this->browser->findElement(WebDriverBy::xpath('(//fieldset)[2]//input[@type="radio"]'));
            $radio->sendKeys(WebDriverKeys::SPACE);
            $radio->sendKeys(WebDriverKeys::ARROW_RIGHT);
            $this->browser->findElement(WebDriverBy::xpath('//textarea'))->sendKeys('If the train is on time.');
            $this->browser->findElement(WebDriverBy::xpath("//button[.='Send my answer']"))->sendKeys(WebDriverKeys::ENTER);
            $this->see('Your answer has arrived.');
            // Said again otherwise, as long as nothing is settled.
            $pick(2, 'I will come');
            $this->press('button', 'Send my answer');
            $this->waitFor(fn(): bool => !str_contains($this->text(), 'Sending'), 'it was sent');
            $this->see('Your answer has arrived.');
            $this->expectQuietConsole();
        });
        $this->see('2 of 2 have answered.');
        $this->see('If the train is on time.');
        $this->visit('/');
        $this->see('Everybody answered to the offered times: Bulb viewing');
        $this->pressAt("//a[normalize-space(.)='See the answers']");
        $this->see("$petra and $sora will come.");

        // The best stands first; taking it sends the invitation.
        $this->press('button', 'Take 16:30 and send');
        $this->see('Sent on');
        $this->see('16:30');
        expect($this->mail($petra, 'Bulb viewing')['text'])->toContain('Wednesday 3 March 2027, 08:30')
            ->and($this->mail($sora, 'Bulb viewing')['text'])->toContain('Wednesday 3 March 2027, 13:30');
        $lima->navigate()->refresh();
        $in($lima, function (): void {
            $this->see('The time is settled: Wednesday 3 March 2027, 08:30 Lima time.');
            $this->expectAccessible('the guest’s page, over');
        });
        $this->expectQuietConsole();
    } finally {
        $this->browser = $coordinator;
        $first->quit();
        $second->quit();
    }
});

it('says on a link that leads nowhere what to do, and loads little', function (): void {
    $this->device(['width' => 390, 'height' => 844]);
    $this->browser->get($this->address('/g/' . str_repeat('x', 48)));
    $this->see('This link leads to nothing that is still open.');
    $this->expectAccessible('a link that leads nowhere');
    $octets = (array) $this->browser->executeScript("return performance.getEntriesByType('resource').filter((r) => /\\.js(\\?|$)/.test(r.name)).map((r) => r.encodedBodySize)");
    // As nginx sends it, compressed (docs/decisions/0031).
    expect(array_sum($octets))->toBeGreaterThan(10_000)->toBeLessThan(100_000);
    expect($this->browser->manage()->getCookies())->toBe([]);
    $this->expectQuietConsole('/api/guest/offer');
});

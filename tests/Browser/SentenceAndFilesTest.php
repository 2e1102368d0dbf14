<?php

declare(strict_types=1);

use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** Lets a file go over the window, as from another program. */
function dropFile(object $test, string $name, string $text): void
{
    $test->browser->executeScript(<<<'JS'
        const files = new DataTransfer();
        files.items.add(new File([arguments[1]], arguments[0], { type: 'text/calendar' }));
        for (const kind of ['dragover', 'drop']) {
          window.dispatchEvent(new DragEvent(kind, { bubbles: true, cancelable: true, dataTransfer: files }));
        }
        JS, [$name, $text]);
}

const FROM_AFAR = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:spores@far.example\r\nSUMMARY:Spore exchange\r\nORGANIZER;CN=Rosa Quispe:mailto:rosa@far.example\r\n"
    . "ATTENDEE:mailto:mere.tautari@sakura-seed.example\r\nDTSTART;TZID=W. Europe Standard Time:20270112T100000\r\nDURATION:PT45M\r\nRRULE:FREQ=MONTHLY;BYDAY=2TU;COUNT=6\r\nEND:VEVENT\r\n";

beforeEach(function (): void {
    $this->signIn();
    $this->press('button', 'Plan a meeting');
    $this->fill($this->field('Title'), 'Seed count');
    $this->field('Title')->sendKeys(WebDriverKeys::ENTER);
    $this->see('Seed count, on');
    $this->type = function (string $text): void {
        $this->press('button', 'Type it');
        $field = $this->field('When and how often, in words');
        $this->fill($field, $text);
        $field->sendKeys(WebDriverKeys::ENTER);
    };
    /** What was refused on purpose stands in the console as well. */
    $this->forgetRefusals = fn() => $this->expectQuietConsole(but: 'status of 422');
    $this->kept = fn() => $this->see('draft saved at');
});

it('takes a typed sentence, quotes what it does not understand, and gives the sheet back', function (): void {
    ($this->type)('every blue moon at 10');
    $this->see('not understood here');
    $this->expectAccessible('a sentence not understood');
    ($this->forgetRefusals)();
    $this->field('When and how often, in words')->sendKeys(WebDriverKeys::ESCAPE);
    $this->see('Seed count, on');

    ($this->type)('weekly tue+thu 9:30 lisbon 30 min from 12 jan 2027, 6x, except 14 jan 2027');
    $sentence = 'every Tuesday and Thursday at 09:30 Lisbon time for 30 minutes, 6 times from 12 January 2027, except 14 January 2027.';
    $this->see($sentence);
    $this->press('button', 'Undo');
    $this->see('Seed count, on');

    // The sentence that was written reads back the same.
    ($this->type)($sentence);
    $this->see($sentence);
    ($this->kept)();
    // Fingers that paused on the way had a half-typed sentence asked about: refused, which is no fault.
    ($this->forgetRefusals)();
});

it('makes a rule by its parts, shows what it comes to, and asks about a thousand dates', function (): void {
    ($this->type)('every month on the 12th at 10:00 from 12 January 2027, 12 times');
    $this->see('on the 12th of every month');
    $this->pressAt("//button[starts-with(@aria-label, 'How often')]");
    $this->press('button', 'More ways to repeat …');
    foreach (['Mon', 'Tue', 'Wed', 'Thu', 'Fri'] as $day) {
        $this->pressAt("//fieldset[contains(., 'On weekdays')]//button[.='$day']");
    }
    $this->fill($this->field('Days of the month'), '40');
    $this->see('Take days from 1 to 31');
    ($this->forgetRefusals)();
    $this->fill($this->field('Days of the month'), ' ');
    $this->fill($this->field('Of these dates, only the'), '-1');
    $this->see('On the last working day of every month at 10:00');
    $this->waitFor(fn(): bool => count($this->browser->findElements(WebDriverBy::cssSelector('[role=dialog] ol li'))) === 10, 'ten dates');
    $dates = array_map(static fn(RemoteWebElement $li): string => str_replace("\n", ' ', $li->getText()), $this->browser->findElements(WebDriverBy::cssSelector('[role=dialog] ol li')));
    expect(array_slice($dates, 0, 3))->toBe(['Fri 29 Jan 2027 10:00', 'Fri 26 Feb 2027 10:00', 'Wed 31 Mar 2027 10:00']);
    $this->expectAccessible('a rule by its parts');
    $this->press('button', 'Take it');
    $this->see('Seed count, on the last working day of every month at 10:00');

    // A thousand dates by a typed sentence: asked by the server, and taken back.
    ($this->kept)();
    ($this->type)('every weekday at 9:00 from 1 march 2027 until 30 april 2032');
    $this->see('That makes 1,350 dates.');
    $this->expectAccessible('a thousand dates');
    $this->press('button', 'Change it back');
    $this->see('Seed count, on the last working day of every month at 10:00');
    $this->waitFor(fn(): bool => !str_contains($this->text(), 'That makes 1,350 dates.') && !str_contains($this->text(), 'not kept yet'), 'the question is gone');
    ($this->forgetRefusals)();

    // The small editor can say it, and leads to its parts again: now daily for years.
    $this->pressAt("//button[starts-with(@aria-label, 'How often')]");
    $this->see('on the last working day');
    $this->press('button', 'More ways to repeat …');
    // In this order, since "only the last" of a day's dates is refused.
    $this->fill($this->field('Of these dates, only the'), ' ');
    $this->set($this->field('Period'), 'daily');
    $this->fill($this->field('How many times'), '1200');
    $this->see('1,200 dates. The next');
    $this->press('button', 'Take it');
    $this->see('That makes 1,200 dates');
    $this->press('button', 'Yes, all of them');
    $this->see('every weekday at 10:00');
    ($this->kept)();
    $this->expectQuietConsole();
});

it('moves, drops, puts back and adds single dates before sending', function (): void {
    ($this->type)('every tuesday at 10:00 nairobi, 4 times from 12 January 2027');
    $this->see('4 times from 12 January 2027');
    $this->press('button', 'Leave out Tue 12 Jan 2027');
    $this->see('except 12 January 2027');
    $this->press('button', 'put it back');
    $this->waitFor(fn(): bool => !str_contains($this->text(), 'except 12 January'), 'the date came back');

    $this->press('button', 'Move 12 Jan');
    $this->set($this->field('Date'), '2027-01-13');
    $this->set($this->field('Time'), '11:30');
    $this->press('button', 'Move it');
    $this->see('except 12 January 2027, and also on 13 January 2027 at 11:30.');

    $this->pressAt("//button[starts-with(@aria-label, 'Single dates')]");
    $this->find("//*[@role='dialog']");
    $this->expectAccessible('single dates');
    $this->see('Tue 12 Jan 2027, 10:00 is moved to Wed 13 Jan 2027, 11:30');
    $this->pressAt("//*[@role='dialog']//button[normalize-space(.)='put it back']");
    $this->waitFor(fn(): bool => !str_contains($this->css('h1')->getText(), '11:30') && !str_contains($this->css('h1')->getText(), 'except'), 'the date is where it was');
    ($this->kept)();
    $this->expectQuietConsole();
});

it('opens a calendar file as a draft, dropped or chosen', function (): void {
    $this->visit('/meetings');
    $this->see('coming up');
    dropFile($this, 'far.ics', FROM_AFAR . "END:VCALENDAR\r\n");
    $this->see('Spore exchange, on the second Tuesday of every month at 10:00 Berlin time for 45 minutes, 6 times from 12 January 2027.');
    $this->find("//*[@data-testid='attendee'][contains(., 'Mere Tautari')]");
    $this->find("//*[@data-testid='attendee'][contains(., 'Rosa Quispe')]");

    // Of several, one is chosen; what did not come over is said.
    $file = sys_get_temp_dir() . '/syndex-far-' . getmypid() . '.ics';
    file_put_contents($file, FROM_AFAR . "BEGIN:VEVENT\r\nUID:tour@far.example\r\nSUMMARY:House tour\r\nDTSTART:20270301T100000\r\nDURATION:PT42M\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n");
    $this->visit('/meetings');
    $this->see('coming up');
    $this->browser->findElement(WebDriverBy::cssSelector('input[type=file]'))->sendKeys($file);
    $this->see('2 events. Which one opens as a draft?');
    $this->expectAccessible('a choice of events');
    $this->press('button', 'Open House tour as a draft');
    $this->see('It lasts 42 minutes in the file; here it is 45.');
    $this->press('button', 'To the sheet');
    $this->see('House tour, on Monday 1 March 2027 at 10:00 Nairobi time for 45 minutes.');
    unlink($file);

    dropFile($this, 'letter.txt', 'Dear all');
    $this->see('This is not a calendar file');
    $this->press('button', 'Cancel');
    ($this->forgetRefusals)();
});

it('advises another anchor where fewer people would move, and takes it in one press', function (): void {
    foreach (['ines var' => 'Inês Varela', 'tomas' => 'Tomás Sequeira'] as $typed => $name) {
        $this->field('Add a person')->sendKeys($typed);
        $this->pressAt("//*[@role='option'][contains(., '$name')]");
        $this->find("//*[@data-testid='attendee'][contains(., '$name')]");
    }
    ($this->type)('every tuesday at 15:30 nairobi for 45 minutes, 12 times from 2 march 2027');
    // Lisbon's clocks go forward on 28 March 2027 (IANA); Nairobi's never do.
    $this->see('On Lisbon time, the local time would move for 1 person instead of 2.');
    $this->expectAccessible('anchor advice');
    $this->press('button', 'Switch to Lisbon time');
    $this->see('every Tuesday at 12:30 Lisbon time for 45 minutes, 12 times from 2 March 2027.');
    $this->waitFor(fn(): bool => !str_contains($this->text(), 'would move for'), 'the advice is gone');
    ($this->kept)();

    $this->press('a', 'Clock shifts');
    $this->see('Whose local time moves during Seed count, which keeps Lisbon time.');
    $this->see('Tue 30 Mar 2027: 15:30 becomes 14:30');
    $this->expectAccessible('clock shifts');
    $this->expectQuietConsole();
});

it('opens a mail from a thread as a draft with its people', function (): void {
    $this->signIn();
    $this->visit('/meetings');
    $this->see('Plan a meeting');
    dropFile($this, 'thread.eml', "From: Rosa Quispe <rosa@anden.example>\r\nTo: wanjiru.achola@sakura-seed.example, corin.hale@sakura-seed.example\r\nSubject: Re: Spore exchange\r\n\r\nCould we talk about the trays?\r\n");
    $this->see('Opened as a draft from thread.eml');
    $this->see('Spore exchange');
    $this->see('Corin Hale');
    $this->see('saved');
    dropFile($this, 'empty.eml', 'Dear all');
    $this->see('This is not an email');
    $this->press('button', 'Cancel');
    $this->expectQuietConsole('422');
});

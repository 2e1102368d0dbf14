<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;

/** Chooses a file in a hidden field, as the dialog of the system does. */
function chooseFile(object $test, string $label, string $name, string $content): void
{
    $file = sys_get_temp_dir() . '/' . getmypid() . '-' . $name;
    file_put_contents($file, $content);
    $test->waitFor(fn(): bool => $test->browser->findElements(WebDriverBy::xpath("//input[@type='file' and @aria-label='$label']")) !== [], "a field for files: $label");
    $test->browser->findElement(WebDriverBy::xpath("//input[@type='file' and @aria-label='$label']"))->sendKeys($file);
}

it('takes a list of people with three faults, and asks a team of forty to a meeting and takes it out again', function (): void {
    $this->signIn();
    $this->visit('/people/import');
    $this->see('Take a list of people');
    $this->expectAccessible('the import page');
    $csv = "Person;Post;Where;Groups\n";
    for ($i = 1; $i <= 40; $i++) {
        $csv .= "Forty $i;forty.$i@garden.example;" . ['Nairobi', 'Lisbon', 'Tokyo'][$i % 3] . ";The forty\n";
    }
    $csv .= "No Address;;Lisbon;\nNo Such Place;nowhere@garden.example;Atlantis;\nTwice;forty.1@garden.example;;\n";
    chooseFile($this, 'Choose a file', 'people.csv', $csv);
    $this->see('43 rows cannot be taken.');
    // Headings that say nothing are told what they are.
    $this->set($this->field('What this column holds: Post'), 'email');
    $this->see('41 new, 0 changed, 0 as they are. 2 rows cannot be taken.');
    $this->set($this->field('What this column holds: Person'), 'name');
    $this->set($this->field('What this column holds: Where'), 'zone');
    $this->see('Atlantis');
    $this->set($this->field('What this column holds: Groups'), 'teams');
    $this->see('40 new, 0 changed, 0 as they are. 3 rows cannot be taken.');
    $this->expectAccessible('a file looked at');
    $this->press('button', 'Take 40 people');
    $this->see('Done: 40 new');
    $this->see('No time zone or city is called “Atlantis”.');
    $this->expectAccessible('a file taken');

    $this->visit('/people/teams');
    $this->press('a', 'The forty');
    $this->see('The forty: 40 people.');
    $this->expectAccessible('a team');
    $this->visit('/meetings');
    $this->press('button', 'Plan a meeting');
    $this->see('A single meeting');
    $box = "//*[@role='combobox'][ancestor::section[@aria-labelledby='who']]";
    $this->find($box)->sendKeys('the forty');
    $this->pressAt("//*[@role='option'][contains(., 'team of 40')]");
    $this->see('The forty is 40 people.');
    $this->expectAccessible('asked whether a large team is meant');
    $this->press('button', 'Do not add them');
    $this->see('1 required');
    $this->find($box)->sendKeys('the forty');
    $this->pressAt("//*[@role='option'][contains(., 'team of 40')]");
    $this->press('button', 'Add all 40');
    $this->see('41 required');
    $this->see('40 of 40 asked');
    $this->press('button', 'Take the team out: The forty');
    $this->waitFor(fn(): bool => str_contains($this->text(), '1 required') && !str_contains($this->text(), '41 required'), 'the team out again');
    $this->press('button', 'Undo');
    $this->see('41 required');
    $this->expectQuietConsole();
});

it('shows a person as a week of light, and takes a journey, another place and a calendar', function (): void {
    $this->signIn();
    $this->visit('/people');
    $this->fill($this->field('Search'), 'oriwak');
    $this->press('a', 'Kenji Moriwaki');
    $this->see('A week in Tokyo');
    $this->see('Holidays of Japan are days off.');
    $this->expectAccessible('a person’s page');
    $this->expectNoSidewaysScroll('a person’s page');

    $this->press('button', 'Add a journey');
    $this->find("//input[@aria-label='Where to']")->sendKeys('Lisbon');
    $this->pressAt("//*[@role='option'][contains(., 'Lisbon')]");
    $year = (int) date('Y') + 1;
    $this->set($this->field('First day'), "$year-05-03");
    $this->set($this->field('Last day'), "$year-05-12");
    $this->pressAt("//*[@role='dialog']//button[.='Add a journey']");
    $this->see("in Lisbon, 3 May – 12 May $year");
    $this->pressAt("//button[starts-with(@aria-label, 'Remove the journey')]");
    $this->see('Removed.');
    $this->press('button', 'Undo');
    $this->see("in Lisbon, 3 May – 12 May $year");

    $this->press('button', 'Phone number: not known');
    $this->fill($this->field('Phone number'), 'ring me');
    $this->pressAt("//*[@role='dialog']//button[.='Save']");
    $this->see('This cannot be a phone number.');
    $this->expectAccessible('a phone number refused');
    $this->fill($this->field('Phone number'), '+81 3 5550 1234');
    $this->pressAt("//*[@role='dialog']//button[.='Save']");
    $this->see('+81 3-5550-1234');

    // A calendar that is none of the outside world's.
    $this->press('button', 'Change the calendar');
    $this->fill($this->field('Address of the calendar (iCalendar feed)'), 'http://169.254.169.254/latest');
    $this->pressAt("//*[@role='dialog']//button[.='Connect a calendar']");
    $this->see('169.254.169.254');
    $this->press('button', 'Read it now');
    $this->see('This address lies in our own network');
    $this->expectAccessible('a calendar that cannot be read');
    $this->expectQuietConsole(but: 'status of 422');

    // On a phone.
    $this->device(['width' => 390, 'height' => 844]);
    $this->expectNoSidewaysScroll('a person’s page on a phone');
    $this->device(['dark' => true]);
    $this->expectAccessible('a person’s page in the dark');
});

it('tells on Today whose calendar came to clash, until it is noted', function (): void {
    $this->signIn();
    $this->see('Inês Varela is now busy');
    $this->expectAccessible('Today with a clash');
    $this->pressAt("//p[contains(., 'Inês Varela is now busy')]/following-sibling::p//button[.='Noted']");
    $this->waitFor(fn(): bool => !str_contains($this->text(), 'Inês Varela is now busy'), 'the clash noted');
    $this->press('button', 'Undo');
    $this->see('Inês Varela is now busy');
});

it('lets an administrator say the rules of the house, and a coordinator read them', function (): void {
    $this->signIn('Joram Kiptui');
    $this->visit('/house-rules');
    $this->see('Public holidays of where people are at home are');
    $this->expectAccessible('house rules');
    $this->press('button', 'People in a large team: 25 people');
    $this->fill($this->field('People in a large team'), '1');
    $this->see('A whole number from 2 to 100000.');
    $this->fill($this->field('People in a large team'), '30');
    $this->pressAt("//*[@role='dialog']//button[.='Save']");
    $this->see('30 people');
    $this->press('button', 'Undo');
    $this->waitFor(fn(): bool => str_contains($this->text(), '25 people'), 'the rule as it was');
    $this->forget();
    $this->signIn();
    $this->visit('/house-rules');
    $this->see('An administrator can change these.');
    expect($this->browser->findElements(WebDriverBy::cssSelector('main button')))->toBe([]);
});

it('makes a draft of a mail that is pasted, and keeps its people as a team', function (): void {
    $this->signIn();
    $mail = "From: Rosa Quispe <rosa.q@far.example>\nTo: wanjiru.achola@sakura-seed.example, Karl Drei <karl@far.example>\nCc: lena@orchard.example\nSubject: Re: Lots for spring\n\nShall we meet?\n";
    $this->browser->executeScript("const data = new DataTransfer(); data.setData('text/plain', arguments[0]); document.body.dispatchEvent(new ClipboardEvent('paste', { bubbles: true, cancelable: true, clipboardData: data }));", [$mail]);
    $this->see('Lots for spring');
    $this->waitFor(fn(): bool => str_contains($this->text(), 'Karl Drei') && str_contains($this->text(), '3 required'), 'the people of the mail');
    $this->press('button', 'Keep these people as a team');
    $this->fill($this->field('Name of the team'), 'Lots for spring');
    $this->pressAt("//*[@role='dialog']//button[.='Save']");
    $this->see('The team Lots for spring is kept, with 4 people.');
    $this->expectQuietConsole();
});

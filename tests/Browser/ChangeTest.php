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

    $address = static fn(string $name): string => str_replace(' ', '.', strtolower((string) iconv('UTF-8', 'ASCII//TRANSLIT', $name))) . '@sakura-seed.example';
    expect($this->mail($address($first), 'Changed: Orchid round')['text'])->toContain('Time: was 15:30')->toContain('now 16:00');
    expect($this->mail($address($out), 'No longer invited: Orchid round')['text'])->toContain('has taken you off the list');
    $this->expectQuietConsole();
});

it('changes one date, then all from a date on: two recipients read it in their own words and time', function (): void {
    $this->signIn();
    $this->visit('/meetings?which=sent&q=moss');
    $this->pressAt("//main//a[normalize-space(.)='Moss garden exchange']");
    $this->see('Sent on');

    // One date is longer, another is moved by a day.
    $this->pressAt("//li[contains(., '15 Jan 2027')]//button[normalize-space(.)='Change']");
    $this->see('This date.');
    $this->expectAccessible('the question of which dates');
    $this->press('button', 'Change this date');
    $this->see('Only on Fri 15 Jan 2027');
    $this->expectAccessible('what one date has of its own');
    $this->set($this->field('Length'), '90');
    $this->press('button', 'Take it');
    $this->see('15 Jan: 90 min');
    $this->pressAt("//ol[@aria-label='Dates']//button[contains(., '15 Feb')]");
    $this->press('button', 'Move 15 Feb');
    $this->set($this->field('Date'), '2027-02-16');
    $this->press('button', 'Move it');
    $this->see('15 Feb is moved to 16 Feb 16:00.');
    $this->see('saved at');
    $this->press('button', 'Read back');
    $this->see('Length on 15 January 2027');
    $this->see('Date moved');
    $this->pressAt("//button[starts-with(normalize-space(.), 'Send it to')]");
    $this->see('is changed;');
    $this->see('90 min');
    $dara = $this->mail('dara.keanemoss@sakura-seed.example', 'Changed: Moss garden exchange')['text'];
    $hana = $this->mail('hana.obinata@sakura-seed.example', '【変更】Moss garden exchange')['text'];
    expect($dara)->toContain('One date is moved: was Monday 15 February 2027, 07:00 Dublin time, now Tuesday 16 February 2027, 07:00 Dublin time.')->toContain('On 15 January 2027 the length was 45 minutes, now 90 minutes.')
        ->and($hana)->toContain('1回分の日程を変更：2027年2月15日月曜日 16:00（東京時間） → 2027年2月16日火曜日 16:00（東京時間）')->toContain('2027年1月15日の長さ：45分 → 90分');

    // From March on there is a place as well, and Sunniva does not come any more.
    $this->pressAt("//li[contains(., '15 Mar 2027')]//button[normalize-space(.)='Change']");
    $this->pressAt("//label[contains(., 'From this date on')]");
    $this->press('button', 'Change from here on');
    $this->see('This changes the dates from Monday 15 March on.');
    $this->see('3 times');
    $this->set($this->field('How to join'), 'both');
    $this->fill($this->field('Place'), 'Hall B');
    $this->pressAt("//*[@data-testid='attendee'][contains(., 'Sunniva')]");
    $this->press('button', 'Remove');
    $this->see('saved at');
    $this->press('button', 'Read back');
    $this->see('Dates before Monday 15 March stay as they were sent');
    $this->expectAccessible('the read-back of a change from a date on');
    $this->pressAt("//button[starts-with(normalize-space(.), 'Send it to')]");
    $this->see('is changed;');
    // The page of the later part, beside which the earlier dates stand.
    $this->see('3 dates');
    $this->press('a', 'The earlier dates');
    $this->see('3 dates');
    $this->see('The later dates, changed since');
    $read = fn(string $address, string $subject, string $words): string => $this->mail($address, $subject, $words)['text'];
    expect($read('dara.keanemoss@sakura-seed.example', 'Changed: Moss garden exchange', 'from then on.'))->toContain('has changed this meeting from 15 March 2027 on.')->toContain('Place: Hall B.')
        ->and($read('hana.obinata@sakura-seed.example', '【変更】Moss garden exchange', '以降の日程についての'))->toContain('場所：Hall B')
        ->and($read('sunniva.ekre@sakura-seed.example', 'Changed: Moss garden exchange', 'not invited'))->toContain('from 15 March 2027 on, and you are not invited to it from then on.');
    $this->expectQuietConsole();
});

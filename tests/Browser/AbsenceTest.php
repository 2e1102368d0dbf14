<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;

it('says when somebody is away, shows it on the sheet, and asks the stand-in', function (): void {
    $this->signIn();
    $this->visit('/people');
    $this->fill($this->field('Search'), 'Birte');
    $this->press('a', 'Absences: Birte Aldenhoff');
    $this->see('Birte Aldenhoff is not away.');
    $this->expectAccessible('absences');
    $year = (int) date('Y');
    $this->set($this->field('First day'), date('Y-m-d'));
    $this->set($this->field('Last day'), ($year + 1) . '-12-31');
    $this->find("//*[@role='combobox']")->sendKeys('Lena Str');
    $this->pressAt("//*[@role='option'][contains(., 'Lena Strand')]");
    $this->see('Lena Strand stands in');
    $this->fill($this->field('Note'), 'field season');
    $this->pressAt("//label[contains(., 'Others may read the note')]");
    $this->press('button', 'Add an absence');
    $this->see('Birte Aldenhoff is away once.');
    $this->see('note: “field season”');

    // On a sheet, the moment they are added.
    $this->visit('/meetings');
    $this->press('button', 'Plan a meeting');
    $this->see('A single meeting');
    $this->find("//*[@role='combobox'][ancestor::section[@aria-labelledby='who']]")->sendKeys('Birte');
    $this->pressAt("//*[@role='option'][contains(., 'Birte Aldenhoff')]");
    $this->see('(field season)');
    $this->press('button', 'Ask them instead: Lena Strand');
    $this->waitFor(fn(): bool => !str_contains($this->text(), 'field season') && str_contains($this->text(), 'Lena Strand'), 'Lena in place of Corin');
    $this->press('button', 'Undo');
    $this->see('field season');

    // Taken away again, and put back.
    $this->visit('/people');
    $this->fill($this->field('Search'), 'Birte');
    $this->press('a', 'Absences: Birte Aldenhoff');
    $this->pressAt("//button[starts-with(@aria-label, 'Remove ')]");
    $this->see('Birte Aldenhoff is not away.');
    $this->press('button', 'Undo');
    $this->see('Birte Aldenhoff is away once.');
    $this->pressAt("//button[starts-with(@aria-label, 'Remove ')]");
    $this->see('Birte Aldenhoff is not away.');
    expect($this->browser->findElements(WebDriverBy::cssSelector('[role=alert]')))->toBe([]);
    $this->expectQuietConsole();
});

it('lets a colleague say so of themselves, and find colleagues to stand in', function (): void {
    $this->signIn('Inês Varela');
    $this->visit('/away');
    $this->see('You are not away.');
    $this->find("//*[@role='combobox']")->sendKeys('Tom');
    $this->pressAt("//*[@role='option'][contains(., 'Tomás')]");
    $this->set($this->field('First day'), ((int) date('Y') + 1) . '-07-01');
    $this->press('button', 'Add an absence');
    $this->see('You are away once.');
    $this->pressAt("//button[starts-with(@aria-label, 'Remove ')]");
    $this->see('You are not away.');
    $this->expectQuietConsole();
});

<?php

declare(strict_types=1);

use App\Invitations\LetterWords;
use App\People\Role;
use Syndex\Core\Sentence\Language;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\guest;
use function Tests\Feature\icsTo;
use function Tests\Feature\kit;
use function Tests\Feature\mailTo;
use function Tests\Feature\meeting;
use function Tests\Feature\sent;

/** What stands between braces in a pattern: {title}, {n, plural, …}. */
function placeholders(string $pattern): array
{
    preg_match_all('/\{([a-z]+)[,}]/', $pattern, $found);
    $names = array_unique($found[1]);
    sort($names);

    return array_values($names);
}

it('has every text in every language, with the same facts in it', function (string $tag): void {
    $english = require lang_path('en/letter.php');
    $texts = require lang_path("$tag/letter.php");
    expect(array_keys($texts))->toBe(array_keys($english));
    $words = LetterWords::in(Language::of($tag) ?? Language::english());
    foreach ($texts as $key => $pattern) {
        expect(placeholders($pattern))->toBe(placeholders($english[$key]), "$tag $key")
            // Numbers of every plural form.
            ->and($tag === 'en' || $pattern !== $english[$key] || !preg_match('/[a-z]{3}/', (string) preg_replace('/\{[a-z]+\}|Syndex|PIN/', '', $pattern)) || in_array($key, ['links'], true))->toBeTrue("$tag $key is still English");
        foreach ([0, 1, 2, 3, 11, 100] as $n) {
            expect($words->say($key, [...array_fill_keys(placeholders($pattern), 'X'), 'n' => $n]))->not->toContain('{')->not->toBe('');
        }
    }
})->with(Language::TAGS);

it('writes to each in their language, in the host’s where it is not known, in English where it is none of ours', function (): void {
    $this->travelTo('2026-12-01T08:00:00Z');
    $wanjiru = account(Role::Coordinator, colleague('Wanjiru Achola', 'Africa/Nairobi', ['language' => 'fr']));
    $people = ['de' => colleague('Dieter Lang', 'Europe/Berlin', ['language' => 'de']), 'ar' => colleague('Amal Haddad', 'Asia/Amman', ['language' => 'ar']), 'sw' => colleague('Asha Juma', 'Africa/Nairobi', ['language' => 'sw']), 'none' => guest('rosa@far.example')];
    $meeting = meeting($wanjiru, [$wanjiru->person, ...array_values($people)], ['purpose' => null]);
    kit($meeting);
    sent($meeting->refresh());
    $mails = array_map(static fn($p) => mailTo($p->email), $people);

    expect(array_map(static fn($m): ?string => $m->getHeaderValue('Content-Language'), $mails))->toBe(['de' => 'de', 'ar' => 'ar', 'sw' => 'en', 'none' => 'fr'])
        ->and((string) $mails['de']->getTextContent())->toContain('Wanjiru Achola lädt Sie ein. Ihre Teilnahme ist erforderlich.')->toContain("Dienstag, 15. Dezember 2026, 13:30 Uhr\r\nZeit in Berlin, Dauer 45 Minuten. In Nairobi: Dienstag, 15:30 Uhr.")
        ->toContain('Wiederholt sich: jeden Dienstag um 15:30 Uhr (Zeit in Nairobi), 45 Minuten, ab dem 15. Dezember 2026, 4 Mal.')->toContain('Nummer 829 114 507, Kenncode Hn7pR4wk')->toContain('Bitte antworten Sie in Ihrem Kalender.')
        ->and((string) $mails['none']->getTextContent())->toContain('vous invite.')->toContain('fuseau horaire : Nairobi')
        ->and(icsTo('dieter.lang@garden.example'))->toContain('DESCRIPTION:Teilnehmen: https://meet.syndex.example/j/abc-defg-hij\nNummer 829 114 507')
        ->and(icsTo('amal.haddad@garden.example'))->toContain('انضمام');
    $arabic = (string) $mails['ar']->getHtmlContent();
    expect($arabic)->toContain('<html lang="ar" dir="rtl">')->toContain('<a dir="ltr" href="https://meet.syndex.example/j/abc-defg-hij"')->toContain('prefers-color-scheme:dark')
        ->and($arabic)->not->toMatch('~src=|url\(|<img|<link~');
});

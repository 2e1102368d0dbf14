<?php

declare(strict_types=1);

use App\People\Person;
use App\People\Role;
use App\Planning\Meeting;
use Illuminate\Testing\TestResponse;

use function Tests\Feature\account;
use function Tests\Feature\colleague;

beforeEach(function (): void {
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola', values: ['email' => 'wanjiru@garden.example']));
    $this->ines = colleague('Inês Varela', 'Europe/Lisbon', ['email' => 'ines@garden.example']);
    $this->actingAs($this->coordinator);
    $this->open = fn(string $mail): TestResponse => $this->call('POST', '/api/mail-files', [], [], [], ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'message/rfc822'], str_replace("\n", "\r\n", $mail));
    $this->people = static fn(array $meeting): array => array_map(static fn(array $a): string => ($a['person']['name'] ?? $a['person']['email']) . ' ' . $a['role'], $meeting['attendees']);
});

it('opens a mail as a draft with its people, subject and text, the coordinator once', function (): void {
    $made = ($this->open)(<<<'MAIL'
        From: =?UTF-8?Q?In=C3=AAs_Varela?= <INES@garden.example>
        To: Wanjiru <wanjiru@garden.example>, "Lang, Dieter" <dieter@far.example>
        Cc: ines@garden.example, Rosa <rosa@far.example>, m-abc@syndex.example
        Subject: =?UTF-8?Q?AW=3A_Re=3A_Lots_40=E2=80=9358?=
        MIME-Version: 1.0
        Content-Type: multipart/alternative; boundary=b

        --b
        Content-Type: text/plain; charset=iso-8859-1
        Content-Transfer-Encoding: quoted-printable

        When shall we look at them?=20
        Caf=E9 at ten?
        --b
        Content-Type: text/html

        <p>When</p>
        --b--
        MAIL)->assertCreated()->json();

    expect([$made['meeting']['title'], $made['meeting']['purpose'], $made['meeting']['status'], $made['notes']])->toBe(['Lots 40–58', "When shall we look at them? \nCafé at ten?", 'draft', []])
        ->and(($this->people)($made['meeting']))->toBe(['Wanjiru Achola required', 'Inês Varela required', 'Lang, Dieter required', 'Rosa optional'])
        ->and($made['meeting']['hostId'])->toBe($this->coordinator->person_id)
        ->and(Person::query()->where('email', 'dieter@far.example')->value('name'))->toBe('Lang, Dieter')
        ->and($this->getJson('/api/meetings?which=drafts')->json('meetings.*.title'))->toBe(['Lots 40–58']);
});

it('takes a mail of HTML alone, and says what it could not take', function (): void {
    $made = ($this->open)("From: rosa@far.example\nTo: not an address, x@\nSubject: Fwd: \nContent-Type: text/html; charset=utf-8\n\n<style>p{color:red}</style><p>Fish &amp; chips<br>twice</p><script>x()</script>" . str_repeat('<p>more</p>', 2000))->assertCreated()->json();
    expect($made['meeting']['title'])->toBe('')->and($made['meeting']['purpose'])->toStartWith("Fish & chips\ntwice")->not->toContain('color')
        ->and($made['notes'][0])->toContain('5000')->and(count($made['notes']))->toBeGreaterThan(1);
});

it('refuses what is no mail, and changes nothing', function (string $file): void {
    ($this->open)($file)->assertStatus(422)->assertJsonValidationErrors('file');
    expect(Meeting::query()->count())->toBe(0);
})->with(['empty' => '', 'a text' => "Dear all,\n\nsee you", 'a calendar' => "BEGIN:VCALENDAR\nEND:VCALENDAR"]);

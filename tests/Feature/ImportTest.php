<?php

declare(strict_types=1);

use App\People\Person;
use App\People\PersonKind;
use App\People\Role;
use App\Planning\Meeting;
use Illuminate\Testing\TestResponse;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\guest;

const FOREIGN = <<<'ICS'
    BEGIN:VCALENDAR
    VERSION:2.0
    METHOD:REQUEST
    BEGIN:VEVENT
    UID:seed-call@far.example
    SUMMARY:Seed call
    DESCRIPTION:Lots of the season.\nBring your lists.
    LOCATION:https://rooms.far.example/j/8841
    ORGANIZER;CN=Rosa Quispe:mailto:rosa@far.example
    ATTENDEE;CN=Inês Varela:mailto:ines.varela@garden.example
    ATTENDEE;ROLE=OPT-PARTICIPANT:mailto:ana@FAR.example
    ATTENDEE:mailto:nobody at all
    DTSTART;TZID=Europe/Lisbon:20270105T093000
    DTEND;TZID=Europe/Lisbon:20270105T101500
    RRULE:FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=1;COUNT=3
    END:VEVENT
    BEGIN:VEVENT
    UID:seed-call@far.example
    SUMMARY:Seed call, with the growers
    RECURRENCE-ID;TZID=Europe/Lisbon:20270201T093000
    DTSTART;TZID=Europe/Lisbon:20270202T110000
    DTEND;TZID=Europe/Lisbon:20270202T114500
    END:VEVENT
    BEGIN:VEVENT
    UID:other@far.example
    SUMMARY:Greenhouse tour
    LOCATION:House 2
    DTSTART:20270301T100000
    DURATION:PT1H
    END:VEVENT
    END:VCALENDAR
    ICS;

beforeEach(function (): void {
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->actingAs($this->coordinator);
    $this->upload = fn(string $path, string $body = FOREIGN): TestResponse => $this->call('POST', "/api/calendar-files$path", [], [], [], ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'text/calendar'], $body);
});

it('shows what is in a file, the latest first, and finds by title', function (): void {
    $found = ($this->upload)('/look')->assertOk()->json();
    expect(array_map(static fn(array $e): array => [$e['title'], $e['start'], $e['repeated'], $e['people']], $found['events']))
        ->toBe([['Greenhouse tour', '2027-03-01T10:00:00', false, 0], ['Seed call', '2027-01-05T09:30:00+00:00', true, 3]])
        ->and($found['total'])->toBe(2);

    expect(array_column(($this->upload)('/look?q=SEED')->json('events'), 'title'))->toBe(['Seed call']);
    expect(Meeting::query()->count())->toBe(0);
});

it('opens an event as a draft: its dates with the moved one, its words, its people by address', function (): void {
    colleague('Inês Varela', 'Europe/Lisbon', ['email' => 'ines.varela@garden.example']);
    guest('rosa@far.example');
    $key = ($this->upload)('/look?q=seed')->json('events.0.key');
    $made = ($this->upload)("?event=$key")->assertCreated()->json();
    $meeting = $made['meeting'];

    expect([$meeting['status'], $meeting['title'], $meeting['purpose'], $meeting['zone'], $meeting['durationMinutes'], $meeting['joinMode'], $meeting['links']])
        ->toBe(['draft', 'Seed call', "Lots of the season.\nBring your lists.", 'Europe/Lisbon', 45, 'undecided', [['label' => '', 'url' => 'https://rooms.far.example/j/8841']]]);
    expect([$meeting['startLocal'], Meeting::query()->findOrFail($meeting['id'])->rrule, $meeting['dropped'], $meeting['extra']])
        ->toBe(['2027-02-01T09:30:00', 'FREQ=MONTHLY;COUNT=3;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=1', ['2027-02-01T09:30:00'], ['2027-01-05T09:30:00', '2027-02-02T11:00:00']]);
    expect(array_map(static fn(array $a): array => [$a['person']['email'], $a['role']], $meeting['attendees']))
        ->toBe([['rosa@far.example', 'required'], ['ines.varela@garden.example', 'required'], ['ana@far.example', 'optional']]);
    expect($made['notes'])->toBe([
        'The first date, 5 January 2027, is none of its rule: it is kept as an added date.',
        'On 2 February 2027 the file has other words about it or other people. The date is kept, with the words and people of the others.',
        'One address cannot be used and was left out.',
    ]);
    expect(Person::query()->where('email', 'ana@far.example')->sole()->kind)->toBe(PersonKind::Guest);
});

it('takes the only event without being told which', function (): void {
    $file = "BEGIN:VCALENDAR\nBEGIN:VEVENT\nSUMMARY:Tour\nLOCATION:House 2\nDTSTART:20270301T100000\nDURATION:PT1H\nthis line is broken\nEND:VEVENT\nEND:VCALENDAR";
    $made = ($this->upload)('', $file)->assertCreated()->json();

    expect([$made['meeting']['joinMode'], $made['meeting']['place'], $made['meeting']['zone'], $made['notes']])
        ->toBe(['in_person', 'House 2', 'Africa/Nairobi', ['The file names no zone: the times are taken as Nairobi time.']])
        ->and(array_column($made['warnings'], 'line'))->toContain(7)
        ->and(array_column($made['meeting']['attendees'], 'role'))->toBe(['required']);
});

it('refuses what is no calendar or no meeting, and changes nothing', function (string $path, string $body, string $said): void {
    ($this->upload)($path, $body)->assertStatus(422)->assertJson(['errors' => ['file' => [$said]]]);

    expect(Meeting::query()->count())->toBe(0);
})->with([
    'no calendar' => ['/look', 'Dear all', 'This is not a calendar file. Nothing was changed.'],
    'nothing' => ['', '', 'This is not a calendar file. Nothing was changed.'],
    'no event' => ['', "BEGIN:VCALENDAR\nEND:VCALENDAR", 'The file holds no such event. Choose again.'],
    'another event' => ['?event=deadbeef', FOREIGN, 'The file holds no such event. Choose again.'],
    'called off' => ['', "BEGIN:VCALENDAR\nBEGIN:VEVENT\nUID:x\nDTSTART:20270301T100000Z\nSTATUS:CANCELLED\nEND:VEVENT\nEND:VCALENDAR", 'This event is called off in the file, so there is nothing to plan.'],
]);

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Invitations\Dispatch;
use App\Invitations\MakeMail;
use App\Invitations\SendMeeting;
use App\Joining\JoiningKit;
use App\People\Account;
use App\People\FindWords;
use App\People\Person;
use App\People\PersonKind;
use App\People\Role;
use App\People\SavePerson;
use App\People\SearchKey;
use App\Planning\JoinMode;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Syndex\Core\ICalendar\AttendeeRole;
use ZBateson\MailMimeParser\Message;

/** @param array<string, mixed> $values */
function colleague(string $name, ?string $zone = 'Africa/Nairobi', array $values = []): Person
{
    return app(SavePerson::class)(new Person(), ['kind' => PersonKind::Colleague, 'name' => $name, 'email' => Str::slug($name, '.') . '@garden.example', 'zone' => $zone, ...$values]);
}

function guest(string $email, ?string $zone = null): Person
{
    return Person::query()->where('email', $email)->first() ?? app(SavePerson::class)(new Person(), ['kind' => PersonKind::Guest, 'email' => $email, 'zone' => $zone]);
}

/** @param array<string, mixed> $values */
function account(Role $role, ?Person $person = null, array $values = []): Account
{
    $person ??= colleague($role->value . ' ' . Str::random(6));

    return Account::query()->create(['person_id' => $person->id, 'email' => $person->email, 'role' => $role, 'password' => 'a long password', ...$values])->refresh()->setRelation('person', $person);
}

/**
 * @param  list<Person>  $people  the first is the host
 * @param  array<string, mixed>  $values
 */
function meeting(Account $coordinator, array $people, array $values = []): Meeting
{
    $meeting = Meeting::query()->create([
        'uid' => Str::lower((string) Str::ulid()) . '@syndex.example', 'address_token' => Str::lower(Str::random(16)), 'coordinator_id' => $coordinator->id,
        'host_id' => $people[0]->id ?? null, 'status' => MeetingStatus::Draft, 'title' => 'Grower exchange', 'purpose' => 'Compare lots.',
        'starts_local' => CarbonImmutable::now()->next('Tuesday')->addWeek()->setTime(15, 30)->format('Y-m-d H:i:s'), 'zone' => 'Africa/Nairobi', 'duration_minutes' => 45,
        'rrule' => 'FREQ=WEEKLY;COUNT=4', 'join_mode' => JoinMode::InPerson, 'place' => 'Room 3', ...$values,
    ]);
    $meeting->update(['shown_at' => $meeting->shown_at ?? $meeting->starts_local]);
    FindWords::keepMeeting($meeting->id, SearchKey::distinct($meeting->title));
    foreach ($people as $position => $person) {
        $meeting->attendees()->create(['person_id' => $person->id, 'position' => $position, 'role' => AttendeeRole::Required]);
    }

    return $meeting->refresh();
}

function kit(Meeting $meeting): JoiningKit
{
    $meeting->update(['join_mode' => JoinMode::Online]);

    return JoiningKit::query()->create([
        'room_id' => $meeting->id, 'meeting_id' => $meeting->id, 'renewed_at' => now(), 'bridge_id' => Str::lower(Str::random(12)), 'link' => 'https://meet.syndex.example/j/abc-defg-hij', 'number' => '829114507', 'passcode' => 'Hn7pR4wk', 'pin' => '604187',
        'dial_ins' => [['country' => 'GB', 'number' => '+442079460142']],
    ]);
}

function sent(Meeting $meeting): Meeting
{
    return app(SendMeeting::class)($meeting, $meeting->version);
}

/** As if the worker had been there. */
function delivered(Meeting $meeting): void
{
    Dispatch::query()->where('meeting_id', $meeting->id)->update(['state' => 'sent', 'attempted_at' => now(), 'sent_at' => now()]);
}

/** The calendar of the last mail to an address, its folds undone. */
function icsTo(string $address): string
{
    return str_replace("\r\n ", '', (string) mailTo($address)->getPart(0, fn($p) => $p->getContentType() === 'text/calendar')?->getContent());
}

/** The last mail to an address, as the worker makes it. */
function mailTo(string $address): Message
{
    return Message::from(app(MakeMail::class)->of(Dispatch::query()->where('recipient', $address)->orderByDesc('id')->firstOrFail()), false);
}

/**
 * @param  array<string, mixed>  $changes
 * @return array<string, mixed> a sheet as the browser sends it
 */
function sheet(Meeting $meeting, array $changes = []): array
{
    return [
        'version' => $meeting->version, 'title' => $meeting->title, 'purpose' => $meeting->purpose, 'agenda' => [], 'links' => [],
        'attendees' => $meeting->attendees()->get()->map(fn($a) => ['personId' => $a->person_id, 'role' => $a->role->value])->all(),
        'hostId' => $meeting->host_id, 'startLocal' => $meeting->starts_local->format('Y-m-d\TH:i:s'), 'zone' => $meeting->zone, 'allDay' => false,
        'durationMinutes' => $meeting->duration_minutes, 'rule' => repeats(), 'dropped' => [], 'joinMode' => 'in_person', 'place' => 'Room 3', ...$changes,
    ];
}

/**
 * @param  array<string, mixed>  $changes
 * @return array<string, mixed>
 */
function repeats(array $changes = []): array
{
    return ['by' => 'words', 'every' => 'week', 'interval' => 1, 'days' => ['tue'], 'monthBy' => 'date', 'monthDay' => 1, 'nth' => 1, 'weekday' => 'tue', 'end' => 'count', 'count' => 4, 'untilOn' => null, ...$changes];
}

/** What is chosen for a room where nothing is. */
function noRoom(): array
{
    return ['settings' => [], 'coHosts' => [], 'presenters' => [], 'account' => null, 'reason' => null, 'standing' => false, 'inRoom' => [], 'standIn' => null, 'smallRooms' => [], 'interpreters' => [], 'changing' => 'nobody', 'inviting' => 'nobody'];
}

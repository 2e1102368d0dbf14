<?php

declare(strict_types=1);

use App\Invitations\Dispatch;
use App\Invitations\MakeMail;
use App\People\Role;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Reader as VObjectReader;
use Symfony\Component\Process\Process;

use function Tests\Feature\account;

use function Tests\Feature\colleague;

use Tests\Feature\ICalendar\Reader;

use function Tests\Feature\icsTo;
use function Tests\Feature\meeting;
use function Tests\Feature\repeats;
use function Tests\Feature\sent;
use function Tests\Feature\sheet;

/*
 * What leaves the house, read by programs that share nothing with it. A series of four Tuesdays: one date dropped, one moved, one
 * longer in another place.
 */

beforeEach(function (): void {
    $this->travelTo('2026-12-01T08:00:00Z');
    $this->wanjiru = account(Role::Coordinator, colleague('Wanjiru Achola', 'Africa/Nairobi', ['email' => 'wanjiru@garden.example']));
    $this->ines = colleague('Inês Várela, Seeds', 'Europe/Lisbon', ['email' => 'ines@garden.example', 'language' => 'pt']);
    $this->actingAs($this->wanjiru);
    $this->meeting = meeting($this->wanjiru, [$this->wanjiru->person, $this->ines], ['starts_local' => '2026-12-08 15:30:00', 'title' => 'Grower exchange; lots, trials']);
    $this->putJson("/api/meetings/{$this->meeting->id}", sheet($this->meeting, [
        'startLocal' => '2026-12-08T15:30:00', 'rule' => repeats(), 'dropped' => ['2026-12-15T15:30:00', '2026-12-22T15:30:00'], 'extra' => ['2026-12-23T10:00:00'],
        'moved' => [['date' => '2026-12-22T15:30:00', 'to' => '2026-12-23T10:00:00']],
        'own' => [['date' => '2026-12-29T15:30:00', 'minutes' => 60, 'title' => null, 'place' => 'Hall B', 'people' => null]],
    ]))->assertOk();
    sent($this->meeting->refresh());
    $this->mail = app(MakeMail::class)->of(Dispatch::query()->where('recipient', 'ines@garden.example')->firstOrFail());
    $this->ics = str_replace("\n", "\r\n", str_replace("\r\n", "\n", icsTo('ines@garden.example')));
    $this->dir = sys_get_temp_dir() . '/syndex-readers-' . bin2hex(random_bytes(6));
    mkdir($this->dir);
    file_put_contents("$this->dir/message.ics", $this->ics);
    $this->run = fn(array $command, array $env = [], ?string $input = null): string => (new Process($command, $this->dir, $env, $input, 60))->mustRun()->getOutput();
});

afterEach(fn() => (new Process(['rm', '-r', $this->dir]))->mustRun());

it('is a mail to Python’s email package, without a defect (RFC 5322, RFC 6047 2.4)', function (): void {
    $read = json_decode(($this->run)(['/usr/bin/python3', base_path('tests/readers/mail_reader.py')], input: $this->mail), true, flags: JSON_THROW_ON_ERROR);
    $uid = $this->meeting->uid;

    expect($read)->toMatchArray([
        'subject' => 'Grower exchange; lots, trials: ter., 8 de dez. de 2026, 12:30 (fuso horário: Lisboa)', 'to' => [['Inês Várela, Seeds', 'ines@garden.example']], 'auto' => 'auto-generated', 'language' => 'pt',
        'structure' => ['multipart/mixed', 'multipart/alternative', 'text/plain', 'text/html', 'text/calendar', 'application/ics'], 'method' => 'REQUEST', 'charset' => 'UTF-8',
        'attached' => [['application/ics', 'invite.ics', true]], 'defects' => [],
        'events' => [[$uid, 0, null, 'Room 3', 0], [$uid, 0, '20261222T153000', 'Room 3', 0], [$uid, 0, '20261229T153000', 'Hall B', 0]],
    ])->and($read['text'])->toContain("terça-feira, 8 de dezembro de 2026, 12:30\n");
});

it('is read by sabre/vobject without a complaint, and every date stands', function (): void {
    $calendar = VObjectReader::read($this->ics);
    assert($calendar instanceof VCalendar);
    $said = array_column($calendar->validate(), 'message');
    $dates = [];
    foreach ($calendar->expand(new DateTimeImmutable('2026-12-01'), new DateTimeImmutable('2027-02-01'))->VEVENT ?? [] as $event) {
        $dates[] = $event->DTSTART->getDateTime()->format('m-d H:i') . ' ' . $event->LOCATION;
    }
    sort($dates);
    expect($said)->toBe([])->and($dates)->toBe(['12-08 12:30 Room 3', '12-23 07:00 Room 3', '12-29 12:30 Hall B']);
});

it('is read by libical without a fault', function (): void {
    $lines = Reader::answers(Reader::compiled('messages_libical'), $this->ics);
    $at = static fn(string $utc): int => (int) strtotime("$utc UTC");
    $uid = $this->meeting->uid;

    expect($lines)->toBe(['REQUEST 0', "$uid|0|0|{$at('2026-12-08 12:30')}|45|Room 3", "$uid|0|{$at('2026-12-22 12:30')}|{$at('2026-12-23 07:00')}|45|Room 3", "$uid|0|{$at('2026-12-29 12:30')}|{$at('2026-12-29 12:30')}|60|Hall B"]);
});

it('is taken in by khal, which shows every date', function (): void {
    file_put_contents("$this->dir/khal.conf", "[calendars]\n[[ours]]\npath = $this->dir/calendar\n[locale]\ntimeformat = %H:%M\ndateformat = %Y-%m-%d\nlongdateformat = %Y-%m-%d\ndatetimeformat = %Y-%m-%d %H:%M\nlongdatetimeformat = %Y-%m-%d %H:%M\nlocal_timezone = Europe/Lisbon\ndefault_timezone = Europe/Lisbon\n[sqlite]\npath = $this->dir/khal.db\n");
    mkdir("$this->dir/calendar");
    $env = ['HOME' => $this->dir, 'LC_ALL' => 'C.UTF-8'];
    ($this->run)(['khal', '-c', "$this->dir/khal.conf", 'import', '--batch', '-a', 'ours', "$this->dir/message.ics"], $env);
    $said = ($this->run)(['khal', '-c', "$this->dir/khal.conf", 'list', '--day-format', '', '--format', '{start} {end-time} {title} {location}', '2026-12-01', '2027-02-01'], $env);

    expect(array_values(array_filter(explode("\n", $said))))->toBe(['2026-12-08 12:30 13:15 Grower exchange; lots, trials Room 3', '2026-12-23 07:00 07:45 Grower exchange; lots, trials Room 3', '2026-12-29 12:30 13:30 Grower exchange; lots, trials Hall B']);
});

it('is taken over by vdirsyncer as one entry, word for word', function (): void {
    $plain = (string) preg_replace('/^METHOD:.*\r\n/m', '', $this->ics);
    file_put_contents("$this->dir/ours.ics", $plain);
    mkdir("$this->dir/copy");
    file_put_contents("$this->dir/config", "[general]\nstatus_path = \"$this->dir/status\"\n[pair p]\na = \"ours\"\nb = \"copy\"\ncollections = null\n[storage ours]\ntype = \"singlefile\"\npath = \"$this->dir/ours.ics\"\n[storage copy]\ntype = \"filesystem\"\npath = \"$this->dir/copy\"\nfileext = \".ics\"\n");
    $env = ['HOME' => $this->dir, 'LC_ALL' => 'C.UTF-8', 'VDIRSYNCER_CONFIG' => "$this->dir/config"];
    ($this->run)(['vdirsyncer', 'discover'], $env, "y\n");
    ($this->run)(['vdirsyncer', 'sync'], $env);
    $files = glob("$this->dir/copy/*.ics") ?: [];
    $events = static function (string $text): array {
        preg_match_all('/BEGIN:VEVENT.*?END:VEVENT/s', str_replace(["\r\n ", "\r\n"], ['', "\n"], $text), $found);
        sort($found[0]);

        return $found[0];
    };
    expect($files)->toHaveCount(1)->and($events((string) file_get_contents($files[0])))->toBe($events($plain))->toHaveCount(3);
});

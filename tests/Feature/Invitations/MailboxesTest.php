<?php

declare(strict_types=1);

use App\Invitations\Dispatch;
use App\Invitations\MakeMail;
use App\Invitations\Step;
use App\People\Role;
use App\Planning\Meeting;
use App\Planning\Occurrence;
use Illuminate\Testing\TestResponse;
use Symfony\Component\Process\Process;

use function Tests\Feature\account;

use function Tests\Feature\colleague;
use function Tests\Feature\guest;
use function Tests\Feature\mailTo;
use function Tests\Feature\meeting;
use function Tests\Feature\repeats;
use function Tests\Feature\sent;
use function Tests\Feature\sheet;

use ZBateson\MailMimeParser\Message;

/*
 * A series with four attendees in four languages is moved, split, thinned out and called off. After each step, a little calendar
 * that shares nothing with Syndex (ical.js, RFC 5546 2.1.5) has taken every message of each mailbox in order.
 */

beforeEach(function (): void {
    $this->travelTo('2026-12-01T08:00:00Z');
    $this->wanjiru = account(Role::Coordinator, colleague('Wanjiru Achola', 'Africa/Nairobi', ['email' => 'wanjiru@garden.example', 'language' => 'en']));
    $this->people = [
        'wanjiru' => $this->wanjiru->person,
        'ines' => colleague('Inês Varela', 'Europe/Lisbon', ['email' => 'ines@garden.example', 'language' => 'pt']),
        'kenji' => colleague('Kenji Mori', 'Asia/Tokyo', ['email' => 'kenji@garden.example', 'language' => 'ja-JP']),
        'amal' => colleague('Amal Haddad', 'Asia/Amman', ['email' => 'amal@garden.example', 'language' => 'ar']),
        'rosa' => guest('rosa@far.example'),
    ];
    $this->people['rosa']->update(['language' => 'es']);
    $this->actingAs($this->wanjiru);
    $this->meeting = sent(meeting($this->wanjiru, array_values($this->people), ['starts_local' => '2026-12-08 15:30:00', 'rrule' => 'FREQ=WEEKLY;COUNT=8']));
    $this->boxes = array_fill_keys(array_keys($this->people), []);
    // The worker was there: every message that waits is in its mailbox.
    $this->deliver = function (): void {
        foreach (Dispatch::query()->where('state', 'waiting')->orderBy('id')->get() as $dispatch) {
            $mail = Message::from(app(MakeMail::class)->of($dispatch), false);
            $this->boxes[(string) strstr($dispatch->recipient, '@', true)][] = (string) $mail->getPart(0, fn($p) => $p->getContentType() === 'text/calendar')?->getContent();
            $dispatch->update(['state' => 'sent', 'attempted_at' => now(), 'sent_at' => now()]);
        }
        $this->travel(1)->minutes();
    };
    $this->shown = function (): array {
        $run = new Process(['node', base_path('tests/histories/mailboxes.mjs')], input: json_encode($this->boxes, JSON_THROW_ON_ERROR));

        return json_decode($run->mustRun()->getOutput(), true, flags: JSON_THROW_ON_ERROR);
    };
    $this->begin = fn(Meeting $of, array $with = []): Meeting => Meeting::query()->findOrFail($this->postJson("/api/meetings/$of->id/change", $with)->assertCreated()->json('id'));
    $this->put = function (Meeting $sheet, array $changes): Meeting {
        $now = $this->getJson("/api/meetings/$sheet->id")->json();
        $own = array_map(static fn(array $o): array => [...$o, 'people' => $o['people'] === null ? null : array_map(static fn(array $p): array => ['personId' => $p['person']['id'], 'role' => $p['role']], $o['people'])], $now['own']);
        $this->putJson("/api/meetings/$sheet->id", sheet($sheet, ['startLocal' => $now['startLocal'], 'rule' => $now['rule'], 'dropped' => $now['dropped'], 'extra' => $now['extra'], 'moved' => $now['moved'], 'own' => $own, 'choices' => $now['choices'], 'place' => $now['place'], ...$changes]))->assertOk();

        return $sheet->refresh();
    };
    $this->sendIt = fn(Meeting $sheet): TestResponse => $this->postJson("/api/meetings/$sheet->id/send", ['version' => $sheet->version]);
    $this->send = fn(Meeting $sheet): Meeting => Meeting::query()->findOrFail(($this->sendIt)($sheet)->assertOk()->json('id'));
});

/** @return list<string> dates in Nairobi (UTC+3), as a calendar shows them: "12-08 15:30 Room 3" */
function plainly(array $shown): array
{
    return array_map(static function (string $date): string {
        [$start, $length, $place] = explode(' ', $date, 3);

        return gmdate('m-d H:i', (int) strtotime($start) + 3 * 3600) . ($length === '45' ? '' : " $length min") . ($place === 'Room 3' ? '' : " $place");
    }, $shown);
}

it('shows the truth in every mailbox at every step, in four languages', function (): void {
    $all = ['wanjiru', 'ines', 'kenji', 'amal', 'rosa'];
    $expect = function (array $dates, array $but = []) use ($all): void {
        ($this->deliver)();
        $shown = ($this->shown)();
        foreach ($all as $who) {
            expect(plainly($shown[$who]))->toBe($but[$who] ?? $dates, "$who after " . Step::query()->count() . ' steps');
        }
    };
    $expect(['12-08 15:30', '12-15 15:30', '12-22 15:30', '12-29 15:30', '01-05 15:30', '01-12 15:30', '01-19 15:30', '01-26 15:30']);
    expect(mailTo('kenji@garden.example')->getHeaderValue('Subject'))->toBe('Grower exchange：2026年12月8日(火) 21:30（東京時間）')
        ->and(mailTo('amal@garden.example')->getHeaderValue('Content-Language'))->toBe('ar')
        ->and((string) mailTo('amal@garden.example')->getHtmlContent())->toContain('dir="rtl"');

    // One date moved, one elsewhere and longer, one without Rosa.
    $without = array_map(static fn($p): array => ['personId' => $p->id, 'role' => 'required'], array_values(array_diff_key($this->people, ['rosa' => 0])));
    ($this->send)(($this->put)(($this->begin)($this->meeting), [
        'dropped' => ['2026-12-15T15:30:00'], 'extra' => ['2026-12-16T10:00:00'], 'moved' => [['date' => '2026-12-15T15:30:00', 'to' => '2026-12-16T10:00:00']],
        'own' => [
            ['date' => '2026-12-22T15:30:00', 'minutes' => 60, 'title' => null, 'place' => 'Hall B', 'people' => null],
            ['date' => '2026-12-29T15:30:00', 'minutes' => null, 'title' => null, 'place' => null, 'people' => $without],
        ],
    ]));
    $now = ['12-08 15:30', '12-16 10:00', '12-22 15:30 60 min Hall B', '12-29 15:30', '01-05 15:30', '01-12 15:30', '01-19 15:30', '01-26 15:30'];
    $expect($now, ['rosa' => array_values(array_diff($now, ['12-29 15:30']))]);
    expect((string) mailTo('ines@garden.example')->getTextContent())->toContain('Uma data foi mudada: antes terça-feira, 15 de dezembro de 2026, 12:30 (fuso horário: Lisboa), agora quarta-feira, 16 de dezembro de 2026, 07:00 (fuso horário: Lisboa).')
        ->toContain('22 de dezembro de 2026: local antes Room 3, agora Hall B.');

    // The whole, half an hour later, when two dates are past: those stay.
    $this->travelTo('2026-12-17T08:00:00Z');
    $second = ($this->send)(($this->put)(($this->begin)($this->meeting), ['startLocal' => '2026-12-08T16:00:00', 'dropped' => [], 'extra' => [], 'moved' => [], 'own' => []]));
    $expect(['12-08 15:30', '12-16 10:00', '12-22 16:00', '12-29 16:00', '01-05 16:00', '01-12 16:00', '01-19 16:00', '01-26 16:00']);
    expect([$second->split_from_uid, $second->uid === $this->meeting->uid, $second->kit_of])->toBe([$this->meeting->uid, false, $this->meeting->id])
        ->and((string) mailTo('rosa@far.example')->getTextContent())->toContain('Wanjiru Achola ha modificado esta reunión a partir del 22 de diciembre de 2026.')->toContain('Hora: antes 15:30 (hora de Nairobi), ahora 16:00 (hora de Nairobi).')
        ->and(implode('', $this->boxes['rosa']))->toContain('RELATED-TO;RELTYPE=SIBLING:' . $this->meeting->uid);

    // From a date on in another place.
    $third = ($this->send)(($this->put)(($this->begin)($second, ['from' => '2027-01-12T16:00:00']), ['place' => 'Greenhouse']));
    $expect(['12-08 15:30', '12-16 10:00', '12-22 16:00', '12-29 16:00', '01-05 16:00', '01-12 16:00 Greenhouse', '01-19 16:00 Greenhouse', '01-26 16:00 Greenhouse']);

    // One date off and Kenji out; then the last two off; then all.
    ($this->send)(($this->put)(($this->begin)($second, ['drop' => ['2026-12-29T16:00:00']]), []));
    ($this->send)(($this->put)(($this->begin)($third), ['attendees' => array_map(static fn($p): array => ['personId' => $p->id, 'role' => 'required'], array_values(array_diff_key($this->people, ['kenji' => 0])))]));
    $now = ['12-08 15:30', '12-16 10:00', '12-22 16:00', '01-05 16:00', '01-12 16:00 Greenhouse', '01-19 16:00 Greenhouse', '01-26 16:00 Greenhouse'];
    $expect($now, ['kenji' => array_slice($now, 0, 4)]);
    expect(mailTo('kenji@garden.example')->getHeaderValue('Subject'))->toStartWith('【出席不要】');
    ($this->send)(($this->begin)($third, ['endBefore' => '2027-01-19T16:00:00']));
    $expect(array_slice($now, 0, 5), ['kenji' => array_slice($now, 0, 4)]);
    $this->postJson("/api/meetings/$third->id/call-off")->assertOk();
    $this->postJson("/api/meetings/$second->id/call-off")->assertOk();
    $expect(['12-08 15:30', '12-16 10:00']);
});

it('gives whoever is asked to one date only that date, also in the first sending', function (): void {
    $this->boxes = array_fill_keys(array_keys($this->people), []);
    Dispatch::query()->delete();
    $meeting = meeting($this->wanjiru, [$this->wanjiru->person], ['starts_local' => '2026-12-08 15:30:00', 'rrule' => 'FREQ=WEEKLY;COUNT=3']);
    ($this->put)($meeting, ['rule' => repeats(['count' => 3]), 'own' => [['date' => '2026-12-15T15:30:00', 'minutes' => null, 'title' => 'With Inês', 'place' => null, 'people' => array_map(static fn($p): array => ['personId' => $p->id, 'role' => 'required'], [$this->wanjiru->person, $this->people['ines']])]]]);
    sent($meeting->refresh());
    ($this->deliver)();
    $shown = ($this->shown)();

    expect(plainly($shown['wanjiru']))->toBe(['12-08 15:30', '12-15 15:30', '12-22 15:30'])->and(plainly($shown['ines']))->toBe(['12-15 15:30'])
        ->and(mailTo('ines@garden.example')->getHeaderValue('Subject'))->toStartWith('With Inês: ter., 15 de dez.');
});

it('keeps answers where the later dates are as they were, and asks anew where they are not', function (): void {
    $this->meeting->attendees()->update(['partstat' => 'accepted']);
    $same = ($this->send)(($this->put)(($this->begin)($this->meeting, ['from' => '2026-12-22T15:30:00']), ['title' => 'Grower talk']));
    expect($same->attendees()->pluck('partstat')->unique()->all())->toBe(['accepted']);
    $other = ($this->send)(($this->put)(($this->begin)($same, ['from' => '2027-01-05T15:30:00']), ['startLocal' => '2027-01-05T16:00:00']));
    expect($other->attendees()->pluck('partstat')->unique()->all())->toBe(['needs-action'])->and($same->attendees()->pluck('partstat')->unique()->all())->toBe(['accepted']);
});

it('reads a cut back: from when on, what differs there, and who hears', function (): void {
    $sheet = ($this->put)(($this->begin)($this->meeting, ['from' => '2026-12-22T15:30:00']), ['place' => 'Greenhouse']);
    $back = $this->getJson("/api/meetings/$sheet->id/read-back-change")->assertOk()->json();

    expect($back['from'])->toBe('2026-12-22T15:30:00')
        ->and($back['different'])->toBe([['what' => 'place', 'was' => 'Room 3', 'now' => 'Greenhouse']])
        ->and(array_column($back['told'], 'changes'))->toBe(array_fill(0, 5, ['place', 'text']))
        ->and($this->getJson("/api/meetings/$sheet->id/letter/{$this->people['ines']->id}")->assertOk()->json('text'))->toContain('alterou esta reunião a partir de 22 de dezembro de 2026')->toContain('Local: antes Room 3, agora Greenhouse.');
});

it('takes a cut back while nothing has left: one series again, its change waiting', function (): void {
    ($this->deliver)();
    $later = ($this->send)(($this->put)(($this->begin)($this->meeting, ['from' => '2026-12-22T15:30:00']), ['place' => 'Greenhouse']));
    $answer = $this->postJson("/api/meetings/$later->id/take-back")->assertOk()->json();

    expect([$answer['id'], $answer['changeId'], $later->refresh()->changes_id, $later->status->value, Occurrence::query()->where('meeting_id', $later->id)->count()])->toBe([$this->meeting->id, $later->id, $this->meeting->id, 'draft', 0])
        ->and(Occurrence::query()->where('meeting_id', $this->meeting->id)->count())->toBe(8)
        ->and(Dispatch::query()->where('state', 'waiting')->count())->toBe(0);
    // And sent after all.
    ($this->send)($later);
    ($this->deliver)();
    expect(plainly(($this->shown)()['amal']))->toBe(['12-08 15:30', '12-15 15:30', '12-22 15:30 Greenhouse', '12-29 15:30 Greenhouse', '01-05 15:30 Greenhouse', '01-12 15:30 Greenhouse', '01-19 15:30 Greenhouse', '01-26 15:30 Greenhouse']);
});

it('does not take a cut back once the later dates were changed', function (): void {
    $later = ($this->send)(($this->put)(($this->begin)($this->meeting, ['from' => '2026-12-22T15:30:00']), ['place' => 'Greenhouse']));
    ($this->begin)($later);
    $this->postJson("/api/meetings/{$this->meeting->id}/take-back")->assertStatus(409)->assertJson(['code' => 'changed_since']);
});

it('refuses to begin where nothing can be changed', function (array $with, int $status): void {
    $this->postJson("/api/meetings/{$this->meeting->id}/change", $with)->assertStatus($status);
    expect(Meeting::query()->where('changes_id', $this->meeting->id)->exists())->toBeFalse();
})->with([
    'from no date of it' => [['from' => '2026-12-23T15:30:00'], 422],
    'from what is no time' => [['from' => 'soon'], 422],
    'before the first' => [['endBefore' => '2026-12-08T15:30:00'], 422],
    'without any' => [['drop' => array_map(static fn(int $at): string => gmdate('Y-m-d\TH:i:s', (int) strtotime('2026-12-08T15:30:00Z') + $at * 604800), range(0, 7))], 422],
]);

it('does not cut from a date that is past, nor beside another change that waits', function (): void {
    ($this->begin)($this->meeting);
    $this->postJson("/api/meetings/{$this->meeting->id}/change", ['from' => '2026-12-22T15:30:00'])->assertStatus(409)->assertJson(['code' => 'change_waits']);
    Meeting::query()->where('changes_id', $this->meeting->id)->delete();
    $this->travelTo('2026-12-23T08:00:00Z');
    $this->postJson("/api/meetings/{$this->meeting->id}/change", ['from' => '2026-12-22T15:30:00'])->assertStatus(409);
});

it('shares one room: it stays open while a part of the series lives', function (): void {
    $later = ($this->send)(($this->put)(($this->begin)($this->meeting, ['from' => '2026-12-22T15:30:00']), ['place' => 'Greenhouse']));
    Illuminate\Support\Facades\Queue::fake();
    $this->postJson("/api/meetings/{$this->meeting->id}/call-off")->assertOk();
    Illuminate\Support\Facades\Queue::assertNotPushed(App\Joining\CloseRoom::class);
    $this->postJson("/api/meetings/$later->id/call-off")->assertOk();
    Illuminate\Support\Facades\Queue::assertPushed(App\Joining\CloseRoom::class, static fn($job): bool => $job->ref === App\Joining\RoomRef::of(test()->meeting->id));
});

it('does not bring back what a series was before it was cut, nor take back a part to which something was done', function (): void {
    ($this->send)(($this->put)(($this->begin)($this->meeting), ['title' => 'Grower talk']));
    $later = ($this->send)(($this->put)(($this->begin)($this->meeting->refresh(), ['from' => '2026-12-22T15:30:00']), ['place' => 'Greenhouse']));
    $steps = $this->getJson("/api/meetings/{$this->meeting->id}/history")->json('steps');
    expect(array_column($steps, 'canRestore'))->toBe([false, false, false]);
    foreach (array_slice($steps, 0, 2) as $step) {
        $this->postJson("/api/meetings/{$this->meeting->id}/history/$step[id]/restore")->assertStatus(409);
    }
    $this->postJson("/api/meetings/$later->id/tell/{$this->people['rosa']->id}")->assertOk();
    $this->postJson("/api/meetings/$later->id/take-back")->assertStatus(409)->assertJson(['code' => 'changed_since']);
    expect($later->refresh()->status->value)->toBe('sent');
});

it('leaves dates that are past as they were, also where one was dropped on the sheet', function (): void {
    ($this->deliver)();
    $this->travelTo('2026-12-17T08:00:00Z');
    $sheet = ($this->put)(($this->begin)($this->meeting), ['title' => 'Grower talk', 'dropped' => ['2026-12-08T15:30:00'], 'own' => [['date' => '2026-12-15T15:30:00', 'minutes' => 90, 'title' => null, 'place' => null, 'people' => null]]]);
    $back = $this->getJson("/api/meetings/$sheet->id/read-back-change")->assertOk()->json();
    expect([$back['from'], array_column($back['different'], 'what')])->toBe([null, ['title']]);
    ($this->send)($sheet);
    ($this->deliver)();
    expect(plainly(($this->shown)()['ines']))->toBe(['12-08 15:30', '12-15 15:30', '12-22 15:30', '12-29 15:30', '01-05 15:30', '01-12 15:30', '01-19 15:30', '01-26 15:30'])
        ->and(Meeting::query()->whereNotNull('split_from_id')->exists())->toBeFalse()->and($this->meeting->refresh()->dates()->count())->toBe(0);
});

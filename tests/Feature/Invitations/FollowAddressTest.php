<?php

declare(strict_types=1);

use App\HouseRules\HouseRules;
use App\HouseRules\OrganizerAddress;
use App\Invitations\Dispatch;
use App\Invitations\DispatchState;
use App\Invitations\Step;
use App\People\Role;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\delivered;
use function Tests\Feature\icsTo;
use function Tests\Feature\mailTo;
use function Tests\Feature\meeting;
use function Tests\Feature\sent;

beforeEach(function (): void {
    $this->travelTo('2026-12-01T08:00:00Z');
    $this->wanjiru = account(Role::Coordinator, colleague('Wanjiru Achola', 'Africa/Nairobi', ['email' => 'wanjiru@garden.example']));
    $this->ines = colleague('Inês Varela', 'Europe/Lisbon', ['email' => 'ines@garden.example']);
    $this->actingAs($this->wanjiru);
    $this->meeting = sent(meeting($this->wanjiru, [$this->wanjiru->person, $this->ines, colleague('Mere Tautari', 'Pacific/Auckland', ['email' => 'mere@garden.example'])]));
    $this->move = fn($person, string $to) => $this->patchJson("/api/people/$person->id", ['email' => $to])->assertOk();
    // Of what waits: "ines calling_off 1"
    $this->waiting = fn(): array => Dispatch::query()->where('state', DispatchState::Waiting)->orderBy('id')->get()->map(static fn(Dispatch $d): string => strstr($d->recipient, '@', true) . ' ' . $d->kind->value . ' ' . $d->sequence)->sort()->values()->all();
});

it('calls off at the old address and invites at the new one, and tells nobody else (RFC 5546 3.2.5)', function (): void {
    delivered($this->meeting);
    ($this->move)($this->ines, 'varela@far.example');

    expect(($this->waiting)())->toBe(['ines calling_off 1', 'varela invitation 1'])
        ->and(icsTo('ines@garden.example'))->toContain('METHOD:CANCEL')->toContain('mailto:ines@garden.example')->not->toContain('STATUS:CANCELLED')
        ->and((string) mailTo('ines@garden.example')->getTextContent())->toContain('has taken you off the list')
        ->and(icsTo('varela@far.example'))->toContain('METHOD:REQUEST')->toContain('mailto:varela@far.example')->not->toContain('ines@garden.example')
        ->and(Step::query()->orderByDesc('id')->value('kind')->value)->toBe('readdressed')
        ->and($this->getJson("/api/meetings/{$this->meeting->id}/history")->json('steps.0.canRestore'))->toBeFalse();

    // And once more: what waits for the middle one never leaves.
    Dispatch::query()->where('recipient', 'ines@garden.example')->update(['state' => 'sent', 'attempted_at' => now()]);
    ($this->move)($this->ines, 'iv@far.example');
    expect(($this->waiting)())->toBe(['iv invitation 1']);
});

it('sends an invitation that waits to the new address instead', function (): void {
    ($this->move)($this->ines, 'varela@far.example');
    expect(($this->waiting)())->toBe(['mere invitation 0', 'varela invitation 0', 'wanjiru invitation 0']);
});

it('leaves what is over and what was never sent alone', function (): void {
    delivered($this->meeting);
    $this->travelTo('2027-06-01T08:00:00Z');
    ($this->move)($this->ines, 'varela@far.example');
    expect(($this->waiting)())->toBe([]);
});

it('tells everybody where the address is the organizer’s (RFC 5546 4.2.11)', function (): void {
    app(HouseRules::class)->set(['organizer' => OrganizerAddress::Host->value]);
    $meeting = sent(meeting($this->wanjiru, [$this->ines, $this->wanjiru->person, colleague('Joram Kiptui')]));
    Dispatch::query()->update(['state' => 'sent', 'attempted_at' => now()]);
    Dispatch::query()->where('meeting_id', '!=', $meeting->id)->delete();
    ($this->move)($this->ines, 'varela@far.example');
    expect(Dispatch::query()->where('state', 'waiting')->where('meeting_id', $meeting->id)->pluck('recipient')->sort()->values()->all())->toBe(['joram.kiptui@garden.example', 'wanjiru@garden.example'])
        ->and(icsTo('joram.kiptui@garden.example'))->toContain('mailto:varela@far.example')->toContain('SEQUENCE:1');
});

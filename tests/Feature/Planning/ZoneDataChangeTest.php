<?php

declare(strict_types=1);

use App\People\Role;
use App\Planning\ClockMove;
use App\Planning\LayDown;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use App\Planning\Occurrence;
use App\Planning\TopUpOccurrences;
use Illuminate\Support\Facades\DB;
use Syndex\Core\Time\SystemZoneData;
use Syndex\Core\Time\ZoneData;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\meeting;

beforeEach(function (): void {
    $this->travelTo('2027-02-01T08:00:00Z');
    $this->coordinator = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->ines = colleague('Inês Varela', 'Europe/Lisbon');
    $this->mere = colleague('Mere Tautari', 'Pacific/Auckland');
    $this->topUp = fn() => app()->call([new TopUpOccurrences(), 'handle']);
    /** A series as it stood with other data: summer time in Lisbon was not known then. */
    $this->planned = function (string $zone): Meeting {
        $meeting = meeting($this->coordinator, [$this->coordinator->person, $this->ines, $this->mere], ['zone' => $zone, 'starts_local' => '2027-03-16 15:30:00', 'rrule' => 'FREQ=WEEKLY;COUNT=4', 'status' => MeetingStatus::Sent]);
        app(LayDown::class)->anew($meeting);
        ($this->topUp)();
        DB::table('zone_clocks')->update(['zone_data' => '2027a']);
        DB::table('zone_clocks')->where('zone', 'Europe/Lisbon')->update(['offsets' => json_encode([[now()->getTimestamp() - 86400, 0]])]);
        DB::table('meetings')->update(['laid_zone_data' => '2027a']);
        if ($zone === 'Europe/Lisbon') {
            foreach (Occurrence::query()->get() as $date) {
                DB::table('occurrences')->where('id', $date->id)->update(['starts_at' => $date->starts_local->format('Y-m-d H:i:s')]);
            }
        }

        return $meeting;
    };
    $this->moved = fn(): array => ClockMove::query()->with('person')->orderBy('id')->get()->map(static fn(ClockMove $m): array => [$m->person->name, $m->was_local->format('Y-m-d H:i'), $m->now_local->format('Y-m-d H:i'), $m->dates])->all();
    $this->actingAs($this->coordinator);
});

it('names those whose own clock moved under a meeting that stayed', function (): void {
    ($this->planned)('Africa/Nairobi');
    ($this->topUp)();

    expect(($this->moved)())->toBe([['Inês Varela', '2027-03-30 12:30', '2027-03-30 13:30', 2]]);
});

it('lays dates down again where the anchor moved, and names everybody but those who keep its clock', function (): void {
    $meeting = ($this->planned)('Europe/Lisbon');
    ($this->topUp)();

    expect(Occurrence::query()->where('meeting_id', $meeting->id)->orderBy('starts_at')->get()->map(static fn(Occurrence $o): string => $o->starts_at->format('m-d H:i'))->all())
        ->toBe(['03-16 15:30', '03-23 15:30', '03-30 14:30', '04-06 14:30'])
        // Auckland goes back on 4 April 2027 (IANA), so its last date would have been at 03:30.
        ->and(($this->moved)())->toBe([['Wanjiru Achola', '2027-03-30 18:30', '2027-03-30 17:30', 2], ['Mere Tautari', '2027-03-31 04:30', '2027-03-31 03:30', 2]]);
});

it('says so on Today until it is noted, and again when that is taken back', function (): void {
    $meeting = ($this->planned)('Africa/Nairobi');
    ($this->topUp)();
    $version = app(ZoneData::class)->version();
    $needs = fn(): array => array_values(array_filter($this->getJson('/api/today')->assertOk()->json('needs'), static fn(array $n): bool => $n['code'] === 'zone_data'));
    expect($needs())->toBe([[
        'code' => 'zone_data', 'zoneData' => $version, 'meetingId' => $meeting->id, 'title' => 'Grower exchange',
        'people' => [['name' => 'Inês Varela', 'city' => 'Lisbon', 'was' => '2027-03-30T12:30:00', 'now' => '2027-03-30T13:30:00', 'dates' => 2]],
    ]]);

    $this->postJson("/api/meetings/{$meeting->id}/clock-moves", ['noted' => true, 'zoneData' => $version])->assertNoContent();
    expect($needs())->toBe([]);
    $this->postJson("/api/meetings/{$meeting->id}/clock-moves", ['noted' => false, 'zoneData' => $version])->assertNoContent();
    expect($needs())->toHaveCount(1);
});

it('finds nothing where other zones changed, on new data alone, or twice', function (): void {
    ($this->planned)('Africa/Nairobi');
    ($this->topUp)();
    ClockMove::query()->delete();
    ($this->topUp)();
    expect(($this->moved)())->toBe([]);

    // The same clocks under another version.
    app()->instance(ZoneData::class, new SystemZoneData('2099z'));
    ($this->topUp)();
    expect(($this->moved)())->toBe([])->and(DB::table('zone_clocks')->where('zone_data', '!=', '2099z')->count())->toBe(0);
});

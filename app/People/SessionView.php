<?php

declare(strict_types=1);

namespace App\People;

use App\Access\Network;
use App\HouseRules\HouseRules;
use App\Live\Live;
use App\Planning\Attendee;
use App\Planning\MeetingStatus;
use App\Planning\Occurrence;
use Illuminate\Http\Request;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\ZoneData;

/** What every page needs to know: who is here, which clocks to show, what comes next. */
final readonly class SessionView
{
    public function __construct(private ZoneData $zones, private HouseRules $rules) {}

    /** @return array<string, mixed> */
    public function of(Request $request): array
    {
        $account = $request->user();
        if (!$account instanceof Account || !$account->isActive()) {
            return ['account' => null, 'empty' => !Account::query()->exists(), 'demo' => $this->demo($request), 'now' => Instant::ofSeconds(now()->getTimestamp())->format()];
        }
        $account->loadMissing('person');
        $zone = $account->person->zone ?? 'UTC';
        $clocks = array_values(array_filter((array) ($account->settings['clocks'] ?? []), fn($id): bool => is_string($id) && $this->zones->knows($id)));

        return [
            'account' => [
                'id' => $account->id,
                'personId' => $account->person_id,
                'name' => $account->person->called(),
                'email' => $account->email,
                'role' => $account->role->value,
                'plans' => $account->role->plans(),
                'shortcuts' => (bool) ($account->settings['shortcuts'] ?? true),
            ],
            'zone' => $zone,
            'zoneCity' => PlaceName::of($zone),
            'clocks' => array_map($this->clock(...), [$zone, ...array_diff($clocks, [$zone])]),
            'next' => $this->next($account),
            'channel' => Live::channelOf($account),
            'organisation' => $this->rules->organisation(),
            'empty' => false,
            'demo' => null,
            'now' => Instant::ofSeconds(now()->getTimestamp())->format(),
        ];
    }

    /**
     * A zone's clock for the next two days, so that the page can tick without knowing zones.
     *
     * @return array{zone: string, city: string, offset: int, changes: list<array{at: string, offset: int}>} offsets in minutes
     */
    private function clock(string $id): array
    {
        $zone = $this->zones->zone($id);
        $now = now()->getTimestamp();

        return [
            'zone' => $id,
            'city' => PlaceName::of($id),
            'offset' => intdiv($zone->offsetAt($now), 60),
            'changes' => array_map(static fn(array $c): array => ['at' => Instant::ofSeconds($c['at'])->format(), 'offset' => intdiv($c['after'], 60)], $zone->changesBetween($now, $now + 2 * 86400)),
        ];
    }

    /** @return ?array{id: string, title: string, startsAt: string} */
    private function next(Account $account): ?array
    {
        $next = Occurrence::query()->with('meeting')
            ->where('starts_at', '>', now())->where('starts_at', '<', now()->addDay())->where('all_day', false)
            ->whereHas('meeting', fn($q) => $q->whereIn('status', [MeetingStatus::Kept, MeetingStatus::Sent])
                ->where(fn($m) => $account->role->plans()
                    ? $m->where('coordinator_id', $account->id)->orWhereIn('id', Attendee::query()->select('meeting_id')->where('person_id', $account->person_id))
                    : $m->where('status', MeetingStatus::Sent)->whereIn('id', Attendee::query()->select('meeting_id')->where('person_id', $account->person_id))))
            ->orderBy('starts_at')->first();

        return $next === null ? null : ['id' => $next->meeting_id, 'title' => $next->meeting->title, 'startsAt' => $next->starts_at->toIso8601ZuluString()];
    }

    /** @return ?array{accounts: list<array{email: string, name: string, role: string}>, password: string} only in the demo, only on the machine itself */
    private function demo(Request $request): ?array
    {
        if (config('syndex.demo') !== true || !Network::isThisMachine($request)) {
            return null;
        }
        $accounts = Account::query()->with('person')->where('demo', true)->whereNull('deactivated_at')->orderBy('created_at')->orderBy('id')->limit(4)->get();

        return [
            'accounts' => array_values($accounts->map(static fn(Account $a): array => ['email' => $a->email, 'name' => $a->person->called(), 'role' => $a->role->value])->all()),
            'password' => DemoPassword::TEXT,
        ];
    }
}

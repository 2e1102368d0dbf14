<?php

declare(strict_types=1);

namespace App\People;

use App\Access\Network;
use App\HouseRules\HouseRules;
use Illuminate\Http\Request;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\ZoneData;

/** What every page needs to know: who is here, which clocks to show, what comes next. */
final readonly class SessionView
{
    public function __construct(private ZoneData $zones, private HouseRules $rules, private ComingUp $ahead) {}

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
            'next' => $this->ahead->next($account),
            'channel' => $account->channel(),
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

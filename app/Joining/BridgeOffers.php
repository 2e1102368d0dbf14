<?php

declare(strict_types=1);

namespace App\Joining;

use App\Failure\BridgeFailed;
use Illuminate\Contracts\Cache\Repository;
use Syndex\Core\Joining\BridgeAccount;
use Syndex\Core\Joining\DialIn;

/** What the bridge has to offer, asked now and then: accounts with their limits, and telephone numbers. What was known last stays known while it is away. */
final class BridgeOffers
{
    private const KEY = 'bridge-offers';

    private const SECONDS = 600;

    /** How long it is known at all. */
    private const KNOWN_SECONDS = 30 * 86400;

    /** @var ?array{at: int, accounts: list<array<string, mixed>>, numbers: list<array{string, string, bool}>} */
    private ?array $known = null;

    public function __construct(private readonly Bridge $bridge, private readonly Repository $cache) {}

    /** @return list<BridgeAccount> the usual one first; none: nobody knows */
    public function accounts(): array
    {
        return array_map(static fn(array $a): BridgeAccount => new BridgeAccount(...$a), $this->known()['accounts']);
    }

    /**
     * @param  ?string  $id  null, or one that the bridge does not have (any more): the usual one
     * @return ?BridgeAccount null: nobody knows
     */
    public function account(?string $id): ?BridgeAccount
    {
        $accounts = $this->accounts();

        return array_values(array_filter($accounts, static fn(BridgeAccount $a): bool => $a->id === $id))[0] ?? $accounts[0] ?? null;
    }

    /** @return list<DialIn> */
    public function numbers(): array
    {
        return array_map(static fn(array $d): DialIn => DialIn::of(...$d), $this->known()['numbers']);
    }

    /** @return array{at: int, accounts: list<array<string, mixed>>, numbers: list<array{string, string, bool}>} */
    private function known(): array
    {
        $known = $this->known ?? $this->cache->get(self::KEY) ?? ['at' => 0, 'accounts' => [], 'numbers' => []];
        if ($known['at'] < now()->getTimestamp() - self::SECONDS) {
            try {
                $known = [
                    'at' => now()->getTimestamp(),
                    'accounts' => array_map(static fn(BridgeAccount $a): array => get_object_vars($a), $this->bridge->accounts()),
                    'numbers' => array_map(static fn(DialIn $d): array => [$d->country, $d->number, $d->free], $this->bridge->numbers()),
                ];
                $this->cache->put(self::KEY, $known, self::KNOWN_SECONDS);
            } catch (BridgeFailed) {
                // Soon again, not at every question.
                $known['at'] = now()->getTimestamp() - self::SECONDS + 15;
            }
        }

        return $this->known = $known;
    }
}

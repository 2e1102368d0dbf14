<?php

declare(strict_types=1);

namespace App\Access;

use Illuminate\Contracts\Cache\Repository;

/**
 * Slows down whoever guesses passwords, and shuts nobody out.
 *
 * Tries are counted before the password is looked at, for the pair of an account and a network, for the account, and for the
 * network; the pause until the next try grows with them. A browser that has been let into the account before goes by a count of
 * its own, so that nobody can keep an owner waiting from elsewhere, or a whole office by the guesses of one.
 */
final readonly class SignInPace
{
    private const FORGOTTEN_AFTER_SECONDS = 900;

    /** Tries without a pause, and the longest pause in seconds. */
    private const GATES = ['pair' => [5, 60], 'account' => [20, 5], 'network' => [60, 3]];

    public function __construct(private Repository $cache) {}

    /** @return int seconds to wait; 0: this try was counted and may go on */
    public function enter(SignInTry $try): int
    {
        $now = now()->getTimestamp();
        $wait = 0;
        foreach ($this->gates($try) as $gate => $key) {
            [$free, $longest] = self::GATES[$gate];
            $tries = (int) $this->cache->get("$key n", 0);
            $last = (int) $this->cache->get("$key at", 0);
            $pause = $tries < $free ? 0 : min($longest, 2 ** min(10, $tries - $free));
            // A clock that was set back must not make a pause longer than it is.
            $wait = max($wait, min($pause, $last + $pause - $now));
        }
        if ($wait > 0) {
            return $wait;
        }
        foreach ($this->gates($try) as $key) {
            $this->cache->add("$key n", 0, self::FORGOTTEN_AFTER_SECONDS);
            $this->cache->increment("$key n");
            $this->cache->put("$key at", $now, self::FORGOTTEN_AFTER_SECONDS);
        }

        return 0;
    }

    /** Whoever knows the password is no guesser: the try does not count. */
    public function rightAfterAll(SignInTry $try): void
    {
        foreach ($this->gates($try) as $gate => $key) {
            $gate === 'pair' ? $this->cache->forget("$key n") : $this->cache->decrement("$key n");
        }
    }

    /** @return array<'pair'|'account'|'network', string> */
    private function gates(SignInTry $try): array
    {
        return $try->device === null
            ? ['pair' => "pace $try->account $try->network", 'account' => "pace $try->account", 'network' => "pace $try->network"]
            : ['pair' => "pace $try->account $try->device"];
    }
}

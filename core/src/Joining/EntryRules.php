<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** Who gets into a room, and from when on: what {@see EntryDesk} decides by. */
final readonly class EntryRules
{
    /**
     * @param  int  $opens  minutes ahead of the start from which a host may open
     * @param  int  $doors  minutes ahead of the start from which everybody else may come
     * @param  list<LobbyHolds>  $lobby  who waits there until somebody lets them in; empty: nobody
     * @param  ?int  $capacity  so many hold a place at most, hosts counted; null: as many as come
     * @param  ?int  $lock  minutes after the start from which nobody comes in any more; null: never
     */
    public function __construct(
        public int $opens,
        public int $doors,
        public BeforeHost $beforeHost,
        public array $lobby,
        public bool $invitedOnly,
        public bool $signIn,
        public bool $passcode,
        public ?CountryRule $countries,
        public ?int $capacity,
        public ?int $lock,
    ) {}

    /** Whether somebody waits in the lobby until they are let in, host or not. */
    public function holds(Arrival $arrival): bool
    {
        foreach ($this->lobby as $holds) {
            $isHeld = match ($holds) {
                LobbyHolds::Everyone => true,
                LobbyHolds::Guests => $arrival->who->isOutside(),
                LobbyHolds::NotSignedIn => !$arrival->isSignedIn(),
            };
            if ($isHeld) {
                return true;
            }
        }

        return false;
    }
}

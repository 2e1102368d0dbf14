<?php

declare(strict_types=1);

namespace App\Joining;

use App\Failure\BridgeFailed;
use Syndex\Core\Joining\BridgeAccount;
use Syndex\Core\Joining\DialIn;
use Syndex\Core\Joining\Passcode;
use Syndex\Core\Joining\Pin;

/** The conferencing service, as far as planning needs it. Rooms are known by a name of ours, so that every request may be repeated. */
interface Bridge
{
    /**
     * Opens the room with this name, or gives the one that is open this passcode and PIN, and these rules.
     *
     * @throws BridgeFailed
     */
    public function settle(string $ref, RoomWanted $wanted, Passcode $passcode, Pin $pin): BridgeMeeting;

    /**
     * Closing twice, or what was never open, is no failure.
     *
     * @throws BridgeFailed
     */
    public function close(string $ref): void;

    /**
     * @return list<BridgeAccount> the usual one first
     *
     * @throws BridgeFailed
     */
    public function accounts(): array;

    /**
     * @return list<DialIn>
     *
     * @throws BridgeFailed
     */
    public function numbers(): array;
}

<?php

declare(strict_types=1);

namespace App\Joining;

use App\Failure\BridgeFailed;
use Syndex\Core\Joining\Passcode;
use Syndex\Core\Joining\Pin;

/** The conferencing service, as far as planning needs it. */
interface Bridge
{
    /** @throws BridgeFailed */
    public function open(string $title, Passcode $passcode, Pin $pin): BridgeMeeting;

    /** @throws BridgeFailed */
    public function changePasscode(string $bridgeId, Passcode $passcode): void;

    /**
     * Closing twice is no failure.
     *
     * @throws BridgeFailed
     */
    public function close(string $bridgeId): void;
}

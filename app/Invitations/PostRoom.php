<?php

declare(strict_types=1);

namespace App\Invitations;

/** Where mail leaves the house. */
interface PostRoom
{
    /**
     * Makes sure that the other side is there and talks to us. Nothing of any mail has left when this fails.
     *
     * @throws RelayAway
     */
    public function open(): void;

    /**
     * Hands over one message; when this returns, the other side has taken responsibility for it (RFC 5321 4.2.5).
     *
     * @param  string  $mail  the whole message, headers and all, lines ending in CRLF
     * @return string what the other side answered
     *
     * @throws DeliveryFailed if this message was not taken
     * @throws RelayAway if it would take none
     */
    public function deliver(string $mail, string $envelopeSender, string $recipient): string;
}

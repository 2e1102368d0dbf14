<?php

declare(strict_types=1);

namespace App\Access;

/** Who tries to get into what: an account, from a network, perhaps from a browser that was let in before. */
final readonly class SignInTry
{
    /** @param string $account a digest of the address as it is compared, whether there is such an account or not */
    private function __construct(public string $account, public string $network, public ?string $device) {}

    public static function of(string $addressKey, string $network, KnownBrowser $browser): self
    {
        $account = substr(hash('sha256', $addressKey), 0, 24);

        return new self($account, $network, $browser->knows($account) ? $browser->id : null);
    }
}

<?php

declare(strict_types=1);

namespace App\Access;

/**
 * Tells addresses of the outside world from those of networks like our own, by the special-purpose registries of IANA (RFC 6890).
 *
 * An IPv4 address within an IPv6 one counts as what it is: mapped (RFC 4291 2.5.5.2), translated (RFC 6052 2.1) or tunnelled (RFC 3056 2).
 */
final class PublicAddress
{
    public static function is(string $address): bool
    {
        $packed = @inet_pton($address);
        if ($packed === false) {
            return false;
        }
        $within = self::embedded($packed);
        if ($within !== null) {
            return self::is($within);
        }

        return filter_var($address, FILTER_VALIDATE_IP, FILTER_FLAG_NO_PRIV_RANGE | FILTER_FLAG_NO_RES_RANGE | FILTER_FLAG_GLOBAL_RANGE) !== false && !self::isMulticast($packed) && !self::isBetweenCarriers($packed);
    }

    /** @return ?string the IPv4 address that an IPv6 one carries */
    private static function embedded(string $packed): ?string
    {
        if (strlen($packed) !== 16) {
            return null;
        }
        $at = match (true) {
            str_starts_with($packed, str_repeat("\0", 10) . "\xFF\xFF"), str_starts_with($packed, "\x00\x64\xFF\x9B" . str_repeat("\0", 8)) => 12,
            str_starts_with($packed, str_repeat("\0", 12)) && !str_starts_with(substr($packed, 12), "\0\0\0") => 12,
            str_starts_with($packed, "\x20\x02") => 2,
            default => null,
        };

        return $at === null ? null : (string) inet_ntop(substr($packed, $at, 4));
    }

    private static function isMulticast(string $packed): bool
    {
        return strlen($packed) === 4 ? (ord($packed[0]) & 0xF0) === 0xE0 : $packed[0] === "\xFF";
    }

    /** 100.64.0.0/10 (RFC 6598), and the local translation prefix 64:ff9b:1::/48 (RFC 8215). */
    private static function isBetweenCarriers(string $packed): bool
    {
        return strlen($packed) === 4 ? $packed[0] === "\x64" && (ord($packed[1]) & 0xC0) === 0x40 : str_starts_with($packed, "\x00\x64\xFF\x9B\x00\x01");
    }
}

<?php

declare(strict_types=1);

namespace App\Access;

use Illuminate\Http\Request;

/** Where a request comes from, as far as one household or office goes, and whether that is this very machine. */
final class Network
{
    /** IPv4 by its address, IPv6 by the 64 bits that one line is given (RFC 6177 2). */
    public static function of(Request $request): string
    {
        $packed = @inet_pton((string) $request->ip());

        return match (true) {
            $packed === false => 'unknown',
            strlen($packed) === 16 => (string) inet_ntop(substr($packed, 0, 8) . str_repeat("\0", 8)) . '/64',
            default => (string) inet_ntop($packed),
        };
    }

    /**
     * A request that says it was forwarded came from elsewhere, unless a trusted proxy says otherwise: an untrusted proxy on
     * this machine must not make the whole world local.
     */
    public static function isThisMachine(Request $request): bool
    {
        $forwarded = $request->headers->has('X-Forwarded-For') || $request->headers->has('Forwarded');

        return in_array($request->ip(), ['127.0.0.1', '::1'], true) && (!$forwarded || $request->isFromTrustedProxy());
    }
}

<?php

declare(strict_types=1);

namespace App\Operations;

/** Asks the resolver of this machine, and does not wait long for it. */
final class SystemDns implements Dns
{
    /** Names that are nobody's (RFC 2606, RFC 6761). */
    private const RESERVED = '~(^|\.)(example|invalid|localhost|test)$~';

    public function texts(string $name): ?array
    {
        if (preg_match(self::RESERVED, $name) === 1) {
            return null;
        }
        putenv('RES_OPTIONS=timeout:2 attempts:1');
        $found = @dns_get_record($name, DNS_TXT);

        return $found === false ? null : array_map(static fn(array $record): string => (string) $record['txt'], $found);
    }
}

<?php

declare(strict_types=1);

namespace App\People;

use App\Access\PublicAddress;

/** Where a feed is: which server to ask, and at which of its addresses, looked at once and then kept to. */
final readonly class FeedAddress
{
    /** @param list<string> $addresses to which the connection may go */
    private function __construct(public string $url, public string $host, public int $port, public array $addresses) {}

    /**
     * @param list<string> $allowed "host:port" within the own network
     *
     * @throws FeedFailed if it is no such address, or one of the own network
     */
    public static function of(string $url, array $allowed): self
    {
        [$host, $port] = self::parts($url);
        $name = mb_strtolower(trim($host, '[]'));
        $addresses = filter_var($name, FILTER_VALIDATE_IP) !== false ? [$name] : self::lookUp($name);
        if ($addresses === []) {
            throw FeedFailed::because('no_such_host');
        }
        if (!in_array("$name:$port", $allowed, true) && !in_array("[$name]:$port", $allowed, true)) {
            foreach ($addresses as $address) {
                if (!PublicAddress::is($address)) {
                    throw FeedFailed::because('own_network');
                }
            }
        }

        return new self($url, $host, $port, $addresses);
    }

    /**
     * @return array{string, int} host and port
     *
     * @throws FeedFailed
     */
    public static function parts(string $url): array
    {
        $parts = preg_match('/[\x00-\x20\x7F\\\\]/', $url) === 1 || strlen($url) > 2000 ? false : parse_url($url);
        $scheme = strtolower((string) ($parts['scheme'] ?? ''));
        $host = (string) ($parts['host'] ?? '');
        if ($parts === false || !in_array($scheme, ['http', 'https'], true) || preg_match('/\A(?:[A-Za-z0-9](?:[A-Za-z0-9.-]*[A-Za-z0-9])?|\[[0-9A-Fa-f:.]+\])\z/', $host) !== 1) {
            throw FeedFailed::because('no_address');
        }

        return [$host, (int) ($parts['port'] ?? ($scheme === 'https' ? 443 : 80))];
    }

    /** @return list<string> */
    private static function lookUp(string $name): array
    {
        // A number written otherwise ("2130706433", "0x7f.1") is a name to nobody but some resolvers.
        if (preg_match('/\A(?:0x[0-9a-f]+|\d+)(?:\.(?:0x[0-9a-f]+|\d+))*\z/i', $name) === 1) {
            return [];
        }
        $four = gethostbynamel($name) ?: [];
        $six = $name === 'localhost' ? [] : (@dns_get_record($name, DNS_AAAA) ?: []);

        return array_values(array_unique([...$four, ...array_filter(array_map(static fn(array $r): string => (string) ($r['ipv6'] ?? ''), $six))]));
    }
}

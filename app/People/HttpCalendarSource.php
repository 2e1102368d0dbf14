<?php

declare(strict_types=1);

namespace App\People;

use App\HouseRules\HouseRules;

/**
 * Reads feeds over HTTP (RFC 9110). The connection goes to the address that was looked at and to no other, at each redirect anew;
 * what is compressed counts by what comes out; an answer that is cut off is none (RFC 9112 8).
 */
final readonly class HttpCalendarSource implements CalendarSource
{
    /** Octets, decompressed. */
    private const MOST = 20_000_000;

    private const REDIRECTS = 5;

    public function __construct(private HouseRules $rules, private int $connectSeconds, private int $seconds) {}

    public function read(string $url, ?string $etag, ?string $modified): FeedAnswer
    {
        $until = hrtime(true) / 1e9 + $this->seconds;
        for ($hop = 0; $hop <= self::REDIRECTS; $hop++) {
            $answer = $this->ask(FeedAddress::of($url, $this->rules->feedHosts()), $etag, $modified, max(1, (int) ceil($until - hrtime(true) / 1e9)));
            if ($answer instanceof FeedAnswer) {
                return $answer;
            }
            $url = $answer;
        }
        throw FeedFailed::because('redirects');
    }

    /**
     * @return FeedAnswer|string where it says to look
     *
     * @throws FeedFailed
     */
    private function ask(FeedAddress $address, ?string $etag, ?string $modified, int $seconds): FeedAnswer|string
    {
        $body = '';
        $headers = [];
        $isTooLarge = false;
        $curl = curl_init($address->url);
        if ($curl === false) {
            throw FeedFailed::because('no_address');
        }
        $wanted = ['Accept: text/calendar, */*;q=0.1'];
        if ($etag !== null) {
            $wanted[] = "If-None-Match: $etag";
        } elseif ($modified !== null) {
            $wanted[] = "If-Modified-Since: $modified";
        }
        curl_setopt_array($curl, [
            CURLOPT_RESOLVE => ["$address->host:$address->port:" . implode(',', array_map(static fn(string $a): string => str_contains($a, ':') ? "[$a]" : $a, $address->addresses))],
            CURLOPT_PROXY => '',
            CURLOPT_PROTOCOLS => CURLPROTO_HTTP | CURLPROTO_HTTPS,
            CURLOPT_FOLLOWLOCATION => false,
            CURLOPT_CONNECTTIMEOUT => min($this->connectSeconds, $seconds),
            CURLOPT_TIMEOUT => $seconds,
            CURLOPT_LOW_SPEED_LIMIT => 100,
            CURLOPT_LOW_SPEED_TIME => 10,
            CURLOPT_ENCODING => 'gzip',
            CURLOPT_HTTPHEADER => $wanted,
            CURLOPT_USERAGENT => 'Syndex',
            CURLOPT_HEADERFUNCTION => static function ($curl, string $line) use (&$headers): int {
                $parts = explode(':', $line, 2);
                if (count($parts) === 2 && count($headers) < 100) {
                    $headers[strtolower(trim($parts[0]))] = trim($parts[1]);
                }

                return strlen($line);
            },
            CURLOPT_WRITEFUNCTION => static function ($curl, string $piece) use (&$body, &$isTooLarge): int {
                if (strlen($body) + strlen($piece) > self::MOST) {
                    $isTooLarge = true;

                    return 0;
                }
                $body .= $piece;

                return strlen($piece);
            },
        ]);
        curl_exec($curl);
        $error = curl_errno($curl);
        $status = (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
        curl_close($curl);
        if ($error !== 0) {
            throw FeedFailed::because(match (true) {
                $isTooLarge => 'too_large',
                $error === CURLE_OPERATION_TIMEDOUT => 'slow',
                in_array($error, [CURLE_PARTIAL_FILE, CURLE_RECV_ERROR, CURLE_GOT_NOTHING, CURLE_BAD_CONTENT_ENCODING, CURLE_WRITE_ERROR], true) => 'cut_off',
                $error === CURLE_URL_MALFORMAT => 'no_address',
                default => 'away',
            });
        }

        return self::answer($address->url, $status, $headers, $body);
    }

    /**
     * @param array<string, string> $headers
     *
     * @throws FeedFailed
     */
    private static function answer(string $url, int $status, array $headers, string $body): FeedAnswer|string
    {
        if (in_array($status, [301, 302, 303, 307, 308], true) && ($headers['location'] ?? '') !== '') {
            return self::against($url, $headers['location']);
        }
        if ($status === 304) {
            return new FeedAnswer(null);
        }
        if ($status !== 200) {
            throw FeedFailed::because(match (true) {
                in_array($status, [401, 403, 407], true) => 'refused',
                in_array($status, [404, 410], true) => 'gone',
                default => 'broken_server',
            });
        }
        if (stripos(substr($body, 0, 2000), 'BEGIN:VCALENDAR') === false) {
            throw FeedFailed::because('no_calendar');
        }
        // A server that lies about the length, or tells none and stops, leaves the end away.
        if (preg_match('/END:VCALENDAR\s*\z/i', substr($body, -200)) !== 1) {
            throw FeedFailed::because('incomplete');
        }

        return new FeedAnswer($body, self::short($headers['etag'] ?? null, 500), self::short($headers['last-modified'] ?? null, 100));
    }

    /** A reference against where it was found (RFC 3986 5.2), as far as redirects have any. */
    private static function against(string $url, string $location): string
    {
        $base = parse_url($url);
        $root = ($base['scheme'] ?? 'http') . '://' . ($base['host'] ?? '') . (isset($base['port']) ? ':' . $base['port'] : '');

        return match (true) {
            preg_match('/\A[a-z][a-z0-9+.-]*:/i', $location) === 1 => $location,
            str_starts_with($location, '//') => ($base['scheme'] ?? 'http') . ":$location",
            str_starts_with($location, '/') => $root . $location,
            default => $root . preg_replace('#[^/]*\z#', '', $base['path'] ?? '/') . $location,
        };
    }

    private static function short(?string $text, int $most): ?string
    {
        return $text === null || $text === '' || strlen($text) > $most || preg_match('/[\x00-\x1F\x7F]/', $text) === 1 ? null : $text;
    }
}

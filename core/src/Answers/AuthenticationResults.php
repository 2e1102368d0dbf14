<?php

declare(strict_types=1);

namespace Syndex\Core\Answers;

/** What the mail server of our own side found about where a mail comes from (RFC 8601 2.2). */
final readonly class AuthenticationResults
{
    /** @param list<array{method: string, result: string, domain: ?string}> $results */
    private function __construct(public array $results) {}

    /**
     * Only what our own server wrote counts: whatever else names itself so was written by somebody else (5).
     *
     * @param  list<string>  $headers  values of the Authentication-Results fields, unfolded or not
     * @param  string  $server  its authserv-id
     */
    public static function of(array $headers, string $server): self
    {
        $results = [];
        foreach ($headers as $header) {
            $parts = self::parts($header);
            $id = strtolower((string) preg_replace('/\s.*$/s', '', trim(array_shift($parts) ?? '')));
            if ($id === '' || $id !== strtolower($server)) {
                continue;
            }
            foreach ($parts as $part) {
                if (preg_match('/^\s*([a-z0-9-]+)(?:\s*\/\s*\d+)?\s*=\s*([a-z]+)/i', $part, $m) === 1) {
                    $results[] = ['method' => strtolower($m[1]), 'result' => strtolower($m[2]), 'domain' => preg_match('/\bheader\s*\.\s*from\s*=\s*"?([^\s";]+)/i', $part, $d) === 1 ? strtolower($d[1]) : null];
                }
            }
        }

        return new self($results);
    }

    /** Whether the author's domain stands behind the mail (RFC 7489 11.1): DMARC passed, and for that domain where one is named. */
    public function passes(string $domain): bool
    {
        $found = array_filter($this->results, static fn(array $r): bool => $r['method'] === 'dmarc');
        if ($found === []) {
            return false;
        }
        foreach ($found as $result) {
            if ($result['result'] !== 'pass' || ($result['domain'] !== null && $result['domain'] !== strtolower($domain))) {
                return false;
            }
        }

        return true;
    }

    /** @return list<string> what stands between semicolons, without comments, quoted strings kept whole */
    private static function parts(string $header): array
    {
        $parts = [''];
        $depth = 0;
        $isQuoted = false;
        foreach (str_split($header) as $at => $sign) {
            $before = $at > 0 ? $header[$at - 1] : '';
            if ($sign === '"' && $depth === 0 && $before !== '\\') {
                $isQuoted = !$isQuoted;
            }
            if (!$isQuoted && $sign === '(' && $before !== '\\') {
                $depth++;
            } elseif (!$isQuoted && $sign === ')' && $before !== '\\' && $depth > 0) {
                $depth--;
            } elseif ($depth > 0) {
                continue;
            } elseif ($sign === ';' && !$isQuoted) {
                $parts[] = '';
            } else {
                $parts[array_key_last($parts)] .= $sign;
            }
        }

        return $parts;
    }
}

<?php

declare(strict_types=1);

namespace App\Access;

use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Cookie;

/** A browser that has been let into some accounts before, by a cookie that the framework encrypts. It opens nothing by itself. */
final readonly class KnownBrowser
{
    private const COOKIE = 'syndex_browser';

    private const MOST_ACCOUNTS = 5;

    private const DAYS = 400;

    /** @param list<string> $accounts digests */
    private function __construct(public string $id, private array $accounts) {}

    public static function of(Request $request): self
    {
        $value = $request->cookie(self::COOKIE);
        $parts = is_string($value) ? explode(' ', $value) : [];

        return count($parts) > 1 ? new self($parts[0], array_slice($parts, 1)) : new self(Str::random(20), []);
    }

    public function knows(string $account): bool
    {
        return in_array($account, $this->accounts, true);
    }

    public function letInto(string $account): Cookie
    {
        $accounts = array_slice(array_values(array_unique([$account, ...$this->accounts])), 0, self::MOST_ACCOUNTS);

        return cookie(self::COOKIE, implode(' ', [$this->id, ...$accounts]), self::DAYS * 1440, secure: (bool) config('session.secure'), httpOnly: true, sameSite: 'lax');
    }
}

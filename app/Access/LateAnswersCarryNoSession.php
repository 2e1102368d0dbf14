<?php

declare(strict_types=1);

namespace App\Access;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * The answer to a request that left before its sender signed in again may arrive after it, and would put the old session in place
 * of the new one. So who is refused for want of a session is given none, and nobody is told anew of a session they came with. A
 * page asks for the session by itself.
 */
final class LateAnswersCarryNoSession
{
    private const REFUSALS = [401, 419];

    public function handle(Request $request, Closure $next): Response
    {
        /** @var Response $response */
        $response = $next($request);
        $session = (string) config('session.cookie');
        $withheld = match (true) {
            in_array($response->getStatusCode(), self::REFUSALS, true) => [$session, 'XSRF-TOKEN'],
            self::isNobodysOld($request, $session) => [$session],
            default => [],
        };
        foreach ($response->headers->getCookies() as $cookie) {
            if (in_array($cookie->getName(), $withheld, true)) {
                $response->headers->removeCookie($cookie->getName(), $cookie->getPath(), $cookie->getDomain());
            }
        }

        return $response;
    }

    private static function isNobodysOld(Request $request, string $session): bool
    {
        return $request->hasSession() && $request->user() === null && $request->cookies->get($session) === $request->session()->getId();
    }
}

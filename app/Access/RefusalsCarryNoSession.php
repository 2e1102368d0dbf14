<?php

declare(strict_types=1);

namespace App\Access;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Who is refused for want of a session is given none: the answer to a request that left before its sender signed in again may
 * arrive after it, and would put the old session in place of the new one. A page asks for the session by itself.
 */
final class RefusalsCarryNoSession
{
    private const REFUSALS = [401, 419];

    public function handle(Request $request, Closure $next): Response
    {
        /** @var Response $response */
        $response = $next($request);
        if (in_array($response->getStatusCode(), self::REFUSALS, true)) {
            foreach ($response->headers->getCookies() as $cookie) {
                if (in_array($cookie->getName(), [config('session.cookie'), 'XSRF-TOKEN'], true)) {
                    $response->headers->removeCookie($cookie->getName(), $cookie->getPath(), $cookie->getDomain());
                }
            }
        }

        return $response;
    }
}

<?php

declare(strict_types=1);

namespace App\Access;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Vite;
use Symfony\Component\HttpFoundation\Response;

/** What a browser may do with our pages: our own scripts, styles and fonts, nothing from elsewhere, no frame around us. */
final class SecurityHeaders
{
    /** Positions of bars and blocks are set as style attributes, hence style-src-attr. */
    private const POLICY = "default-src 'self'; script-src 'self'; style-src 'self' 'nonce-%s'; style-src-attr 'unsafe-inline'; img-src 'self' data:; "
        . "font-src 'self'; connect-src 'self'; frame-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    public function handle(Request $request, Closure $next): Response
    {
        // Dialogs hold the page behind them still with a style of their own, which needs the word of the day.
        $nonce = Vite::useCspNonce();
        $response = $next($request);
        $headers = $response->headers;
        if (!$headers->has('Content-Security-Policy')) {
            $headers->set('Content-Security-Policy', sprintf(self::POLICY, $nonce));
        }
        $headers->set('X-Content-Type-Options', 'nosniff');
        $headers->set('X-Frame-Options', 'SAMEORIGIN');
        $headers->set('Referrer-Policy', $headers->get('Referrer-Policy') ?? 'same-origin');
        $headers->set('Permissions-Policy', 'camera=(), microphone=(), geolocation=()');
        if ($request->is('api/*')) {
            $headers->set('Cache-Control', 'no-store, private');
        }

        return $response;
    }
}

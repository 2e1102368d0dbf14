<?php

declare(strict_types=1);

namespace App\Guests;

use App\Failure\NotNow;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Lets through whoever shows a link that is known, in the header (RFC 6750 2.1): an address that is asked for may be kept somewhere. */
final readonly class RequireGuestLink
{
    private const ATTRIBUTE = 'guest_link';

    public function __construct(private GuestLinks $links) {}

    public function handle(Request $request, Closure $next, string $kind): Response
    {
        $link = $this->links->known((string) $request->bearerToken());
        if ($link === null || $link->kind->value !== $kind || $link->person->forgotten_at !== null) {
            throw NotNow::guestLinkUnknown();
        }
        $request->attributes->set(self::ATTRIBUTE, $link);

        return $next($request);
    }

    public static function of(Request $request): GuestLink
    {
        $link = $request->attributes->get(self::ATTRIBUTE);

        return $link instanceof GuestLink ? $link : throw new \LogicException('This route asks for no link.');
    }
}

<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Account;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/**
 * Lets through whoever plans, and attendees who "change" or "invite" to the meeting that is named in the route; where none is
 * named, those who may do so with some meeting. It stands behind `role:any`.
 */
final readonly class RequireRight
{
    public function __construct(private AttendeeRights $rights) {}

    public function handle(Request $request, Closure $next, string $what): Response
    {
        /** @var Account $account */
        $account = $request->user();
        $named = $request->route('meeting');
        $meeting = $named instanceof Meeting ? $named : (is_string($named) ? Meeting::query()->find($named) : null);
        $allowed = match (true) {
            $account->role->plans() => true,
            $named !== null => $meeting !== null && ($what === 'invite' ? $this->rights->mayInvite($account, $meeting) : $this->rights->mayChange($account, $meeting)),
            $what === 'invite' => $this->rights->mayInviteSome($account),
            default => $this->rights->maySome($account),
        };
        if (!$allowed) {
            throw new AccessDeniedHttpException();
        }

        return $next($request);
    }
}

<?php

declare(strict_types=1);

namespace App\People;

use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/** Lets through active accounts of a role: "any", "plans" (coordinators and administrators), "administrator". */
final class RequireRole
{
    public function handle(Request $request, Closure $next, string $who): Response
    {
        $account = $request->user();
        if (!$account instanceof Account || !$account->isActive()) {
            throw new AuthenticationException();
        }
        $allowed = match ($who) {
            'any' => true,
            'plans' => $account->role->plans(),
            'administrator' => $account->role === Role::Administrator,
            default => false,
        };
        if (!$allowed) {
            throw new AccessDeniedHttpException();
        }

        return $next($request);
    }
}

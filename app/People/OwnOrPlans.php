<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What somebody says of themselves, and whoever plans of everybody. */
final class OwnOrPlans
{
    /** @throws NotFoundHttpException to whom the person is nobody's business */
    public static function check(Request $request, Person $person): Account
    {
        /** @var Account $account */
        $account = $request->user();

        return $account->role->plans() || $account->person_id === $person->id ? $account : throw new NotFoundHttpException();
    }
}

<?php

declare(strict_types=1);

namespace App\Planning;

use App\Access\GoodPassword;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Joining\InvalidPasscode;

/** A meeting's kit: made if there is none; with another passcode where one is typed, or asked to be made up. */
final class KitController
{
    public function __invoke(Request $request, Meeting $meeting, GiveKit $giveKit, KitView $view): JsonResponse
    {
        $request->validate(['passcode' => ['nullable', 'string', 'max:64'], 'change' => ['sometimes', 'boolean']]);
        $typed = $request->string('passcode')->trim()->toString();
        if ($typed !== '' && GoodPassword::isCommon($typed)) {
            throw ValidationException::withMessages(['passcode' => __('planning.passcode_common')]);
        }
        try {
            $kit = $typed !== '' || $request->boolean('change') ? $giveKit->withPasscode($meeting, $typed) : $giveKit($meeting);
        } catch (InvalidPasscode $wrong) {
            throw ValidationException::withMessages(['passcode' => __('planning.passcode_form', ['least' => (string) $wrong->least, 'most' => (string) $wrong->most])]);
        }

        return new JsonResponse($view->of($meeting->refresh()), $kit->wasRecentlyCreated ? 201 : 200);
    }
}

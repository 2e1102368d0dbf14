<?php

declare(strict_types=1);

namespace App\Joining;

use App\Planning\Meeting;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Joining\InvalidPasscode;

final class KitController
{
    public function __invoke(Request $request, Meeting $meeting, MakeKit $makeKit): KitResource
    {
        $request->validate(['passcode' => ['nullable', 'string', 'max:64']]);
        try {
            return new KitResource($makeKit($meeting, $request->string('passcode')->trim()->toString()));
        } catch (InvalidPasscode) {
            throw ValidationException::withMessages(['passcode' => __('planning.passcode_form')]);
        }
    }
}

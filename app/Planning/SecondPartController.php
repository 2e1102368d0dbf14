<?php

declare(strict_types=1);

namespace App\Planning;

use App\Failure\NotNow;
use App\People\Account;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** A draft that takes over the rest of one that is too long, after a break; the first part is shortened on its own sheet. */
final class SecondPartController
{
    public function __invoke(Request $request, Meeting $meeting, StartDraft $start, SheetView $view): JsonResponse
    {
        $request->validate(['minutes' => ['required', 'integer', 'min:5', 'multiple_of:5', 'max:1440'], 'breakMinutes' => ['required', 'integer', 'between:0,240', 'multiple_of:5']]);
        if (!$meeting->status->isEditable() || $meeting->changes_id !== null || $meeting->all_day || $request->integer('minutes') >= $meeting->duration_minutes) {
            throw NotNow::locked($meeting->status->value);
        }
        /** @var Account $account */
        $account = $request->user();

        return new JsonResponse($view->of($start->secondPart($meeting, $account, $request->integer('minutes'), $request->integer('breakMinutes'))->refresh()), 201);
    }
}

<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Account;
use App\Planning\Meeting;
use App\Planning\SheetView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** A sent meeting's kit: made anew where it got about, and told to those who hold the old one. */
final readonly class KitAnewController
{
    public function __construct(private SheetView $view) {}

    /** Which meetings and how many people would have to be told. */
    public function show(Meeting $meeting): JsonResponse
    {
        $sharing = MarkStale::sharing($meeting->room_of)->withCount('attendees')->get();

        return new JsonResponse(['meetings' => $sharing->map(static fn(Meeting $m): array => ['id' => $m->id, 'title' => $m->title, 'people' => (int) $m->getAttribute('attendees_count'), 'stale' => $m->kit_stale_at !== null])->values()->all()]);
    }

    public function store(Request $request, Meeting $meeting, ReissueKit $reissue): JsonResponse
    {
        $given = $request->validate(['what' => ['required', 'array', 'list', 'min:1', 'max:3'], 'what.*' => ['bail', 'required', 'string', 'distinct', Rule::in(['passcode', 'pin', 'link'])]]);
        $reissue($meeting, array_values($given['what']));

        return new JsonResponse($this->view->of($meeting->refresh()));
    }

    public function tell(Request $request, Meeting $meeting, CorrectKits $correct): JsonResponse
    {
        /** @var Account $account */
        $account = $request->user();
        $told = $correct($meeting, $account);

        return new JsonResponse([...$this->view->of($meeting->refresh()), 'told' => $told]);
    }
}

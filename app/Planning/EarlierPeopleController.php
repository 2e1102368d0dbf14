<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\PersonResource;
use App\People\SearchKey;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** Meetings whose title begins as typed, with their people: to be asked to another in one press. */
final class EarlierPeopleController
{
    private const MEETINGS = 3;

    /** Larger ones are asked as a team. */
    private const MOST_PEOPLE = 200;

    public function __invoke(Request $request): JsonResponse
    {
        $request->validate(['q' => ['required', 'string', 'max:200'], 'not' => ['nullable', 'string', 'max:26']]);
        $beginnings = SearchKey::beginnings($request->string('q')->toString());
        if ($beginnings === []) {
            return new JsonResponse([]);
        }
        $query = Meeting::query()->touched()->whereNull('changes_id')->where('title', '!=', '')->where('id', '!=', $request->string('not')->toString());
        foreach ($beginnings as $beginning) {
            $query->whereIn('id', DB::table('meeting_words')->select('meeting_id')->where('word', 'like', $beginning));
        }
        // Of meetings that bear one title, the latest.
        $found = $query->withCount('attendees')->orderByDesc('shown_at')->orderByDesc('id')->limit(self::MEETINGS * 4)->get()->where('attendees_count', '<=', self::MOST_PEOPLE)->unique('title')->take(self::MEETINGS)->load('attendees.person');

        return new JsonResponse(array_values($found->map(static fn(Meeting $m): array => [
            'id' => $m->id,
            'title' => $m->title,
            'people' => $m->attendees->map(static fn(Attendee $a): array => (new PersonResource($a->person))->toArray($request))->all(),
        ])->all()));
    }
}

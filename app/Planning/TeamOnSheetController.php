<?php

declare(strict_types=1);

namespace App\Planning;

use App\HouseRules\HouseRules;
use App\People\Account;
use App\People\Person;
use App\People\PersonResource;
use App\People\Team;
use App\People\Teams;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** A team as it is asked to a meeting: its people, how many they are, and how it was last time. */
final readonly class TeamOnSheetController
{
    public function __construct(private Teams $teams, private HouseRules $rules) {}

    public function __invoke(Request $request, Team $team): JsonResponse
    {
        /** @var Account $account */
        $account = $request->user();
        $people = Person::query()->whereIn('id', $this->teams->people($team->id))->whereNull('left_at')->orderBy('list_key')->orderBy('id')->get();
        $last = $this->last($account, $team);

        return new JsonResponse([
            'id' => $team->id,
            'name' => $team->name,
            'people' => array_values($people->map(static fn(Person $p): array => (new PersonResource($p))->toArray($request))->all()),
            'isLarge' => $people->count() >= $this->rules->largeTeam(),
            'last' => $last === null ? null : ['title' => $last->title, 'minutes' => $last->duration_minutes, 'people' => (int) $last->attendees_count],
        ]);
    }

    /** The coordinator's last meeting with this team, else their last one. */
    private function last(Account $account, Team $team): ?Meeting
    {
        $sent = Meeting::query()->where('coordinator_id', $account->id)->where('status', MeetingStatus::Sent)->whereNull('changes_id')->where('all_day', false)->withCount('attendees')->orderByDesc('sent_at')->orderByDesc('id');

        return (clone $sent)->whereIn('id', Attendee::query()->select('meeting_id')->where('team_id', $team->id))->first() ?? $sent->first();
    }
}

<?php

declare(strict_types=1);

namespace App\Planning;

use App\Joining\GivenKit;
use App\Joining\JoiningKit;
use App\People\OwnOrPlans;
use App\People\Person;
use App\People\ViewerClock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Syndex\Core\Joining\MeetingNumber;

/** The room that somebody keeps for many meetings: on their page. */
final readonly class StandingRoomController
{
    private const MEETINGS = 20;

    public function __construct(private StandingRooms $rooms, private RoomOf $rules, private ViewerClock $clock) {}

    public function show(Request $request, Person $person): JsonResponse
    {
        OwnOrPlans::check($request, $person);

        return $this->about($person, $this->rooms->of($person));
    }

    public function store(Request $request, Person $person): JsonResponse
    {
        OwnOrPlans::check($request, $person);
        $given = $request->validate(['what' => ['sometimes', 'array', 'list', 'max:3'], 'what.*' => ['bail', 'required', 'string', 'distinct', Rule::in(['passcode', 'pin', 'link'])]]);
        $what = array_values($given['what'] ?? []);
        $kit = $this->rooms->make($person);

        return $this->about($person, $what === [] ? $kit : $this->rooms->anew($person, $what));
    }

    public function address(Request $request, Person $person): JsonResponse
    {
        OwnOrPlans::check($request, $person);
        $request->validate(['address' => ['present', 'nullable', 'string', 'regex:/\A[a-z0-9](?:[a-z0-9-]{1,38}[a-z0-9])\z/']], ['address.regex' => __('planning.address_form')]);
        abort_if($this->rooms->of($person) === null, 404);

        return $this->about($person, $this->rooms->address($person, $request->input('address')));
    }

    private function about(Person $person, ?JoiningKit $kit): JsonResponse
    {
        $meetings = Meeting::query()->where('standing_of', $person->id)->whereNull('changes_id')->where('status', MeetingStatus::Sent)->where(Over::isNot())->orderBy('shown_at');

        return new JsonResponse([
            'kit' => $kit === null ? null : [
                'link' => GivenKit::under($kit, $this->rules->standing($person)->rules)->link,
                'number' => MeetingNumber::of($kit->number)->format(),
                'passcode' => $kit->passcode,
                'pin' => $kit->pin,
                'address' => $kit->address,
                'settled' => $kit->unsettled_at === null,
            ],
            'holders' => $this->rooms->holders($person->id, []),
            'count' => (clone $meetings)->count(),
            'meetings' => array_values($meetings->limit(self::MEETINGS)->get()->map(fn(Meeting $m): array => ['id' => $m->id, 'title' => $m->title, 'onLocal' => $this->clock->local($m->shown_at), 'stale' => $m->kit_stale_at !== null])->all()),
        ]);
    }
}

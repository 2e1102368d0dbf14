<?php

declare(strict_types=1);

namespace App\Planning;

use App\HouseRules\RoomPolicy;
use Illuminate\Http\JsonResponse;
use Syndex\Core\Joining\RoomRules;

/** Sent meetings whose rooms house or teams would have otherwise by now: they stay as they were sent until they are changed. */
final readonly class TouchedByRules
{
    private const NAMED = 10;

    /** So many meetings are looked at; a house with more hears that there may be others. */
    private const MOST = 5000;

    public function __construct(private RoomOf $rooms) {}

    public function __invoke(): JsonResponse
    {
        $count = $looked = 0;
        $some = [];
        /** @var array<string, RoomPolicy> $policies */
        $policies = [];
        foreach (Meeting::query()->whereNull('changes_id')->where('status', MeetingStatus::Sent)->whereNotNull('room_sent')->where(Over::isNot())->whereIn('join_mode', [JoinMode::Online, JoinMode::Both, JoinMode::Phone])->orderBy('shown_at')->limit(self::MOST)->cursor() as $meeting) {
            $looked++;
            $policy = $policies[$meeting->host_id ?? ''] ??= $this->rooms->policy($meeting->host_id);
            if ($policy->rules(RoomChoices::of($meeting)->settings)->toArray() != RoomRules::of((array) $meeting->room_sent)->toArray()) {
                $count++;
                if (count($some) < self::NAMED) {
                    $some[] = ['id' => $meeting->id, 'title' => $meeting->title];
                }
            }
        }

        return new JsonResponse(['count' => $count, 'some' => $some, 'all' => $looked < self::MOST]);
    }
}

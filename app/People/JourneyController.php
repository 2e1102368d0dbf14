<?php

declare(strict_types=1);

namespace App\People;

use App\Access\KnownZone;
use App\Failure\Decide;
use App\Live\Live;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Syndex\Core\Time\ZoneData;

/** "In Perth from 3 to 12 May": said by themselves, or by whoever plans. */
final readonly class JourneyController
{
    private const MOST = 100;

    public function __construct(private Live $live, private ZoneData $zones) {}

    public function store(Request $request, Person $person): JsonResponse
    {
        OwnOrPlans::check($request, $person);
        $given = $request->validate([
            'zone' => ['required', 'string', 'max:64'],
            ...DayRange::entry($request, '2099-01-01'),
        ]);
        if (!KnownZone::is((string) $given['zone'], $this->zones)) {
            throw ValidationException::withMessages(['zone' => __('planning.unknown_zone')]);
        }
        $journey = Decide::on(static function () use ($person, $given): Journey {
            Person::query()->lockForUpdate()->findOrFail($person->id);
            $journeys = Journey::query()->where('person_id', $person->id)->get();
            if ($journeys->contains(static fn(Journey $j): bool => $j->from_on->format('Y-m-d') <= $given['untilOn'] && $j->until_on->format('Y-m-d') >= $given['fromOn'])) {
                throw ValidationException::withMessages(['fromOn' => __('people.two_places')]);
            }
            if ($journeys->count() >= self::MOST) {
                throw ValidationException::withMessages(['fromOn' => __('people.many_journeys')]);
            }

            return Journey::query()->create(['person_id' => $person->id, 'zone' => $given['zone'], 'from_on' => $given['fromOn'], 'until_on' => $given['untilOn']]);
        });
        $this->live->tell([Live::COORDINATION], 'person', $person->id);

        return new JsonResponse(JourneyResource::of($journey->refresh()), 201);
    }

    public function destroy(Request $request, Person $person, Journey $journey): Response
    {
        OwnOrPlans::check($request, $person);
        if ($journey->person_id !== $person->id) {
            throw new NotFoundHttpException();
        }
        $journey->delete();
        $this->live->tell([Live::COORDINATION], 'person', $person->id);

        return new Response(status: 204);
    }
}

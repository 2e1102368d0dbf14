<?php

declare(strict_types=1);

namespace App\Overlap;

use App\People\OwnOrPlans;
use App\People\Person;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class PersonWeekController
{
    public function __invoke(Request $request, Person $person, PersonWeek $week): JsonResponse
    {
        OwnOrPlans::check($request, $person);
        $request->validate(['from' => ['nullable', 'date_format:Y-m-d', 'after:1971-01-01', 'before:2098-01-01']]);

        return new JsonResponse($week->of($person, $request->filled('from') ? $request->string('from')->toString() : null));
    }
}

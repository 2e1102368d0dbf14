<?php

declare(strict_types=1);

namespace App\People;

use App\Live\Live;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** When somebody is away: said by themselves, or by whoever plans. */
final readonly class AbsenceController
{
    private const MOST = 200;

    public function __construct(private Live $live) {}

    /** Those that are not over, the next first. */
    public function index(Request $request, Person $person): JsonResponse
    {
        $account = OwnOrPlans::check($request, $person);
        $absences = Absence::query()->with('standIn')->where('person_id', $person->id)->where('until_on', '>=', now()->subDay()->format('Y-m-d'))->orderBy('from_on')->orderBy('id')->limit(self::MOST)->get();

        return new JsonResponse([
            'name' => $person->called(),
            'own' => $account->person_id === $person->id,
            'absences' => $absences->map(static fn(Absence $a): array => AbsenceResource::of($a, $account->person_id === $person->id))->all(),
        ]);
    }

    public function store(AbsenceRequest $request, Person $person): JsonResponse
    {
        $account = OwnOrPlans::check($request, $person);
        $absence = Absence::query()->create($request->values($person));
        $this->live->tell([Live::COORDINATION], 'person', $person->id);

        return new JsonResponse(AbsenceResource::of($absence->refresh(), $account->person_id === $person->id), 201);
    }

    public function destroy(Request $request, Person $person, Absence $absence): Response
    {
        OwnOrPlans::check($request, $person);
        if ($absence->person_id !== $person->id) {
            throw new NotFoundHttpException();
        }
        $absence->delete();
        $this->live->tell([Live::COORDINATION], 'person', $person->id);

        return new Response(status: 204);
    }
}

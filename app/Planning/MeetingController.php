<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Account;
use App\People\Person;
use App\People\Teams;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;

final readonly class MeetingController
{
    private const MOST_AT_ONCE = 100;

    public function __construct(private SheetView $view) {}

    public function index(ListMeetingsRequest $request, ListMeetings $list): JsonResponse
    {
        /** @var Account $account */
        $account = $request->user();

        return new JsonResponse($list($account, $request->words(), $request->which(), $request->integer('page', 1)));
    }

    public function store(Request $request, StartDraft $startDraft, Teams $teams, Blueprints $blueprints): JsonResponse
    {
        $request->validate(['from' => ['nullable', 'string', 'max:26', 'exists:meetings,id'], 'team' => ['sometimes', 'string', 'max:26', 'exists:teams,id'], 'with' => ['sometimes', 'array', 'list', 'max:500'], 'with.*' => ['required', 'string', 'max:26'], 'blueprint' => ['sometimes', 'string', 'max:26']]);
        /** @var Account $account */
        $account = $request->user();
        if ($request->filled('blueprint')) {
            return new JsonResponse($this->view->of($blueprints->start($blueprints->find($account, $request->string('blueprint')->toString()), $account)->refresh()), 201);
        }
        $from = $request->input('from');
        $team = $request->input('team');
        $with = Person::query()->whereNull('left_at')->orderBy('list_key')->when(is_string($team), fn($q) => $q->whereIn('id', $teams->people((string) $team)), fn($q) => $q->whereIn('id', (array) $request->input('with', [])));
        $meeting = is_string($from) ? $startDraft->copyOf(Meeting::query()->findOrFail($from), $account) : $startDraft->blank($account, array_values($with->get()->all()), is_string($team) ? $team : null);

        return new JsonResponse($this->view->of($meeting->refresh()), 201);
    }

    public function show(Request $request, Meeting $meeting, Visible $visible, AttendeeRights $rights): JsonResponse
    {
        /** @var Account $account */
        $account = $request->user();
        $visible->orNotFound($account, $meeting);

        return new JsonResponse($this->view->of($meeting, forPlanning: $rights->mayChange($account, $meeting)));
    }

    public function update(SheetRequest $request, Meeting $meeting, SaveSheet $save, ZoneData $zones, AttendeeRights $rights): JsonResponse
    {
        $request->validate(['version' => ['required', 'integer']]);
        /** @var Account $account */
        $account = $request->user();

        return new JsonResponse($request->withinCalendar(fn(): array => $this->view->of($save($meeting, $rights->keep($account, $request->sheet($zones), $meeting), $request->integer('version')))));
    }

    /** The sheet on which a sent meeting is changed: the one that is there, or a new one; on it dates may be called off at once, or it is of the dates from one on. */
    public function change(Request $request, Meeting $meeting, ChangeOf $change): JsonResponse
    {
        $request->validate(['drop' => ['sometimes', 'array', 'list', 'min:1', 'max:400'], 'drop.*' => [$wall = 'date_format:Y-m-d\TH:i:s'], 'from' => ['sometimes', $wall], 'endBefore' => ['sometimes', $wall]]);
        /** @var Account $account */
        $account = $request->user();

        $sheet = match (true) {
            $request->filled('drop') => $change->without($meeting, array_map(static fn(mixed $wall): WallTime => WallTime::parse((string) $wall), array_values($request->array('drop'))), $account),
            $request->filled('from') => $change->from($meeting, WallTime::parse($request->string('from')->toString()), $account),
            $request->filled('endBefore') => $change->endBefore($meeting, WallTime::parse($request->string('endBefore')->toString()), $account),
            default => $change->begin($meeting, $account),
        };

        return new JsonResponse($this->view->of($sheet->refresh()), 201);
    }

    public function destroy(Meeting $meeting, DiscardDraft $discard): Response
    {
        $discard($meeting);

        return new Response(status: 204);
    }

    /** Several drafts at once; what is no draft any more is passed over. */
    public function discard(Request $request, DiscardDraft $discard): JsonResponse
    {
        $request->validate(['ids' => ['required', 'array', 'max:' . self::MOST_AT_ONCE], 'ids.*' => ['string', 'max:26']]);
        $drafts = Meeting::query()->whereIn('id', $request->array('ids'))->where('status', MeetingStatus::Draft)->get();
        $drafts->each(static fn(Meeting $draft) => $discard($draft));

        return new JsonResponse(['discarded' => $drafts->count()]);
    }
}

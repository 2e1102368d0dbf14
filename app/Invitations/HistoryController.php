<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Account;
use App\People\ViewerClock;
use App\Planning\Meeting;
use App\Planning\SheetView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What was done to a meeting since it was first sent, and the way back to how it was. */
final readonly class HistoryController
{
    private const MOST = 100;

    public function __construct(private FreezeMeeting $freeze, private DescribeChange $describe, private ViewerClock $clock, private SheetView $view) {}

    public function show(Meeting $meeting): JsonResponse
    {
        $steps = Step::query()->with('account.person')->where('meeting_id', $meeting->id)->orderByDesc('id')->limit(self::MOST)->get();
        $lastCut = Step::lastCut($meeting->id);
        $told = Dispatch::query()->join('meeting_snapshots', 'meeting_snapshots.id', '=', 'dispatches.snapshot_id')->whereIn('meeting_snapshots.step_id', $steps->pluck('id'))->whereNot('dispatches.state', DispatchState::LeftOut)
            ->groupBy('meeting_snapshots.step_id')->selectRaw('meeting_snapshots.step_id as step, count(distinct recipient) as people')->pluck('people', 'step');

        return new JsonResponse(['steps' => $steps->map(fn(Step $step): array => [
            'id' => $step->id,
            'kind' => $step->kind->value,
            'by' => $step->account?->person->called(),
            'atLocal' => $this->clock->local($step->created_at),
            'takenBackLocal' => $this->clock->local($step->taken_back_at),
            'different' => $step->before === null || $step->after === null ? [] : $this->describe->of($this->freeze->read($step->before), $this->freeze->read($step->after)),
            'words' => $step->words,
            'told' => (int) ($told[$step->id] ?? 0),
            // A state to go back to: what the meeting was before this.
            'canRestore' => $step->kind === StepKind::Changed && $step->id > $lastCut && $step->before !== null && $step->taken_back_at === null,
        ])->all()]);
    }

    /** How the meeting was before a step, as a change that waits. */
    public function restore(Request $request, Meeting $meeting, Step $step, RestoreState $restore): JsonResponse
    {
        abort_unless($step->meeting_id === $meeting->id, 404);
        /** @var Account $account */
        $account = $request->user();

        return new JsonResponse($this->view->of($restore($meeting, $step, $account)), 201);
    }
}

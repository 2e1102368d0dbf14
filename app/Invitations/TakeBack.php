<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Live\Live;
use App\People\Account;
use App\Planning\Attendee;
use App\Planning\ChangeOf;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use Illuminate\Support\Collection;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/** Takes back what was sent a moment ago, a meeting or a change of it, while not one of its mails has left. Who does not plan takes back what they sent themselves. */
final readonly class TakeBack
{
    public function __construct(private FreezeMeeting $freeze, private ChangeOf $change, private Live $live) {}

    public function __invoke(Meeting $meeting, Account $by): Meeting
    {
        return Decide::on(function () use ($meeting, $by): Meeting {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail(self::cutOf($meeting) ?? $meeting->id);
            if ($meeting->status !== MeetingStatus::Sent) {
                throw NotNow::locked($meeting->status->value);
            }
            $step = Step::query()->where('meeting_id', $meeting->id)->whereIn('kind', [StepKind::Sent, StepKind::Changed])->whereNull('taken_back_at')->orderByDesc('id')->first();
            if ($step === null && $meeting->split_from_id !== null) {
                // The later part of a series to which something was done since: it stands on its own now.
                throw NotNow::changedSince();
            }
            if (!$by->role->plans() && $step?->account_id !== $by->id) {
                throw new AccessDeniedHttpException();
            }
            $channels = SendMeeting::channels($meeting);
            $step?->kind === StepKind::Changed ? $this->change($meeting, $step, $by) : $this->sending($meeting, $step);
            $step?->update(['taken_back_at' => now()]);
            $this->live->tell([Live::COORDINATION, ...$channels, ...SendMeeting::channels($meeting)], 'meeting', $meeting->id);

            return $meeting;
        });
    }

    /** Of the later part of a series that was cut: the series, as long as nothing else was done to the part. */
    private static function cutOf(Meeting $later): ?string
    {
        return Step::query()->where('meeting_id', $later->id)->exists() ? null : Step::query()->where('split_into_id', $later->id)->whereNull('taken_back_at')->value('meeting_id');
    }

    /** @param ?Step $step null of what was sent before steps were kept */
    private function sending(Meeting $meeting, ?Step $step): void
    {
        $snapshots = Snapshot::query()->where('meeting_id', $meeting->id)->where('step_id', $step?->id)->select('id');
        $this->stop(Dispatch::query()->whereIn('snapshot_id', $snapshots)->whereNot('state', DispatchState::TakenBack)->lockForUpdate()->get(['id', 'state', 'attempted_at']));
        Meeting::query()->where('changes_id', $meeting->id)->delete();
        $meeting->update(['status' => $meeting->kept_at === null ? MeetingStatus::Draft : MeetingStatus::Kept, 'sent_at' => null, 'version' => $meeting->version + 1]);
    }

    /** The meeting is again as its people know it, and its change waits on its sheet. SEQUENCE never goes back. */
    private function change(Meeting $meeting, Step $step, Account $by): void
    {
        $this->stop(Dispatch::query()->whereIn('snapshot_id', Snapshot::query()->where('step_id', $step->id)->select('id'))->whereNot('state', DispatchState::TakenBack)->lockForUpdate()->get(['id', 'state', 'attempted_at']));
        // What had to give way leaves after all.
        Dispatch::query()->where('replaced_by', $step->id)->where('state', DispatchState::Replaced)->update(['state' => DispatchState::Waiting, 'replaced_by' => null, 'next_try_at' => now()]);
        $later = $step->split_into_id === null ? null : Meeting::query()->lockForUpdate()->find($step->split_into_id);
        if ($later !== null) {
            if (Step::query()->where('meeting_id', $later->id)->exists() || Meeting::query()->whereIn('changes_id', [$later->id, $meeting->id])->exists()) {
                throw NotNow::changedSince();
            }
            $this->change->goBack($later, $meeting);
        } elseif (!Meeting::query()->where('changes_id', $meeting->id)->lockForUpdate()->exists()) {
            $this->change->sheetOf($meeting, $by);
        }
        $before = $this->freeze->read((string) $step->before)->meeting;
        $earlier = Step::query()->where('meeting_id', $meeting->id)->where('id', '<', $step->id)->where('kind', StepKind::Changed)->whereNull('taken_back_at')->max('created_at');
        $this->change->apply($before, $meeting, $earlier === null ? null : now()->parse($earlier)->toImmutable());
        $answers = $before->attendees->mapWithKeys(static fn(Attendee $a): array => [$a->person_id => $a->partstat]);
        $meeting->attendees()->get()->each(static fn(Attendee $a) => $a->update(['partstat' => $answers[$a->person_id] ?? $a->partstat]));
        $meeting->unsetRelation('attendees');
    }

    /** @param Collection<int, Dispatch> $step */
    private function stop(Collection $step): void
    {
        if ($step->contains(static fn(Dispatch $d): bool => $d->attempted_at !== null || !in_array($d->state, [DispatchState::Waiting, DispatchState::Sending, DispatchState::LeftOut], true))) {
            throw NotNow::tooLateToTakeBack();
        }
        // One that a worker has in hand, but has not begun to send, it will find taken back.
        Dispatch::query()->whereIn('id', $step->pluck('id'))->update(['state' => DispatchState::TakenBack, 'claimed_by' => null]);
    }
}

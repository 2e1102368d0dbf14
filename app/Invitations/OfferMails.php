<?php

declare(strict_types=1);

namespace App\Invitations;

/** What becomes of the mails by which times of a meeting are offered. */
final class OfferMails
{
    /** Those that ask for answers which nobody needs any more stay here. */
    public function holdBack(string $meetingId): void
    {
        Dispatch::query()->where('meeting_id', $meetingId)->where('kind', DispatchKind::TimeOffer)->where('state', DispatchState::Waiting)->update(['state' => DispatchState::TakenBack]);
    }

    /**
     * @param  list<string>  $personIds
     * @return array<string, array{state: string, outcome: ?string}> the last one to each, by person
     */
    public function last(string $meetingId, array $personIds): array
    {
        return Dispatch::query()->where('meeting_id', $meetingId)->where('kind', DispatchKind::TimeOffer)->whereIn('person_id', $personIds)->orderBy('id')->get(['id', 'person_id', 'state', 'outcome'])
            ->mapWithKeys(static fn(Dispatch $d): array => [(string) $d->person_id => ['state' => $d->state->value, 'outcome' => $d->outcome]])->all();
    }
}

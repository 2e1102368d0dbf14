<?php

declare(strict_types=1);

namespace App\Day;

use App\Offers\OfferState;
use App\People\Account;
use App\Planning\MeetingStatus;
use Illuminate\Support\Facades\DB;

/** Times that were offered to guests, once everybody has answered or the time to answer is over: then one can be taken. */
final readonly class OffersToClose
{
    /** @return list<array{code: 'offer_answered'|'offer_late', meetingId: string, title: string, answered: int, of: int}> the oldest first */
    public function of(Account $account, int $most): array
    {
        $rounds = DB::table('time_offers')
            ->join('meetings', 'meetings.id', '=', 'time_offers.meeting_id')
            ->join('asked_guests', 'asked_guests.time_offer_id', '=', 'time_offers.id')
            // Whoever was taken off the sheet is not waited for.
            ->join('attendees', fn($join) => $join->on('attendees.meeting_id', '=', 'meetings.id')->on('attendees.person_id', '=', 'asked_guests.person_id'))
            ->whereIn('time_offers.state', array_column(OfferState::UNENDED, 'value'))->whereIn('meetings.status', [MeetingStatus::Draft->value, MeetingStatus::Kept->value])
            ->where('meetings.coordinator_id', $account->id)
            ->groupBy('time_offers.id', 'meetings.id', 'meetings.title', 'time_offers.answer_until')
            ->havingRaw('count(asked_guests.answered_at) = count(*) or time_offers.answer_until <= ?', [now()])
            ->orderBy('time_offers.id')->limit($most)
            ->selectRaw('meetings.id as meeting, meetings.title as title, count(asked_guests.answered_at) as answered, count(*) as asked')
            ->get();

        $needs = [];
        foreach ($rounds as $r) {
            [$answered, $of] = [(int) $r->answered, (int) $r->asked];
            $needs[] = ['code' => $answered === $of ? 'offer_answered' : 'offer_late', 'meetingId' => (string) $r->meeting, 'title' => (string) $r->title, 'answered' => $answered, 'of' => $of];
        }

        return $needs;
    }
}

<?php

declare(strict_types=1);

namespace App\Offers;

use App\Invitations\OfferMails;
use App\People\ViewerClock;
use App\Planning\Attendee;
use App\Planning\Meeting;
use Illuminate\Support\Collection;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Offers\AskedPerson;
use Syndex\Core\Offers\OfferReply;
use Syndex\Core\Offers\OfferStanding;
use Syndex\Core\Offers\RankOffers;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;

/** A round as whoever plans sees it: its times, the best first, and who said what. */
final readonly class OfferView
{
    public function __construct(private ZoneData $zones, private ViewerClock $clock, private OfferMails $mails) {}

    /** @return ?array<string, mixed> null: no round waits for an end */
    public function of(Meeting $meeting): ?array
    {
        $offer = $meeting->status->isEditable() ? TimeOffer::openOf($meeting->id)->with(['times', 'guests.person', 'guests.answers'])->orderByDesc('id')->first() : null;
        if ($offer === null) {
            return null;
        }
        $roles = Attendee::query()->where('meeting_id', $meeting->id)->whereIn('person_id', $offer->guests->pluck('person_id'))->get()->keyBy('person_id');
        // Whoever was taken off the sheet is asked no more.
        $guests = $offer->guests->filter(static fn(AskedGuest $g): bool => $roles->has($g->person_id))->values();
        $people = array_values($guests->map(static fn(AskedGuest $g): AskedPerson => new AskedPerson($g->person_id, $roles->get($g->person_id)?->role === AttendeeRole::Required, $g->replies()))->all());
        $starts = $offer->times->mapWithKeys(static fn(OfferedTime $t): array => [$t->id => $t->starts_at->getTimestamp()])->all();

        return [
            'minutes' => $offer->duration_minutes,
            'words' => $offer->words,
            // The last minute that counts: midnight would be read as the day after.
            'untilLocal' => $this->clock->local($offer->answer_until->subSecond()),
            'isLate' => $offer->answer_until->isPast(),
            'times' => array_map(fn(OfferStanding $s): array => $this->time($meeting, $s, $starts[$s->time]), RankOffers::of($starts, $people)),
            'guests' => $this->guests($guests, $meeting),
        ];
    }

    /** @return array<string, mixed> */
    private function time(Meeting $meeting, OfferStanding $standing, int $start): array
    {
        $wall = $this->zones->zone($meeting->zone)->toWall($start);

        return [
            'id' => $standing->time,
            'start' => gmdate('Y-m-d\TH:i:s\Z', $start),
            'wall' => WallTime::ofSeconds($wall)->format(),
            OfferReply::Accepted->value => $standing->accepted,
            OfferReply::Tentative->value => $standing->tentative,
            OfferReply::Declined->value => $standing->declined,
            'awaiting' => $standing->awaiting,
        ];
    }

    /**
     * @param  Collection<int, AskedGuest>  $guests
     * @return list<array<string, mixed>>
     */
    private function guests(Collection $guests, Meeting $meeting): array
    {
        $mails = $this->mails->last($meeting->id, array_values($guests->pluck('person_id')->all()));

        return array_values($guests->map(fn(AskedGuest $g): array => [
            'id' => $g->person_id,
            'name' => $g->person->called(),
            'city' => $g->person->zone === null ? null : PlaceName::of($g->person->zone),
            'answeredLocal' => $this->clock->local($g->answered_at),
            'comment' => $g->comment,
            'mail' => $mails[$g->person_id]['state'] ?? null,
            'outcome' => $mails[$g->person_id]['outcome'] ?? null,
        ])->all());
    }
}

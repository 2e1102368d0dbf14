<?php

declare(strict_types=1);

namespace App\Offers;

use App\Failure\NotNow;
use App\Guests\GuestLink;
use App\Invitations\LetterWords;
use App\Overlap\CalendarBusy;
use App\People\Calendar;
use App\People\Clocks;
use App\People\Hours;
use App\People\Person;
use App\Planning\Attendee;
use App\Planning\Meeting;
use App\Planning\MeetingSeries;
use App\Planning\MeetingStatus;
use Syndex\Core\Offers\OwnDay;
use Syndex\Core\Overlap\Busy;
use Syndex\Core\Overlap\Segment;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\IntervalSet;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** What one guest sees of an offer: each time by their own clock and in their language, and what they answered. */
final readonly class GuestOffer
{
    /** Words of the page that stand there whatever is offered. */
    private const WORDS = ['offer_send', 'offer_sending', 'offer_failed', 'offer_retry', 'offer_zone_change', 'offer_zone_label', 'offer_file', 'offer_file_help', 'offer_file_choose', 'offer_file_remove', 'offer_read_failed'];

    public function __construct(private OfferWords $says, private ReadOffer $read, private Clocks $clocks, private Hours $hours, private CalendarBusy $calendars, private MeetingSeries $series, private ZoneData $zones) {}

    public static function guestOf(GuestLink $link): AskedGuest
    {
        return AskedGuest::query()->with(['person', 'answers'])->where('time_offer_id', $link->time_offer_id)->where('person_id', $link->person_id)->first() ?? throw NotNow::guestLinkUnknown();
    }

    /** @throws NotNow once it is too late to answer, with the reason in the guest's language */
    public function mustBeOpen(TimeOffer $offer, AskedGuest $guest): void
    {
        $over = $this->over($offer, $offer->meeting, $guest->person, LetterWords::to($guest->person, $offer->meeting->host));
        if ($over !== null) {
            throw NotNow::offerIsOver($over);
        }
    }

    /**
     * @param  ?string  $said  the zone they chose
     * @param  ?string  $ofDevice  the zone of their device
     * @return array<string, mixed>
     */
    public function of(AskedGuest $guest, ?string $said, ?string $ofDevice): array
    {
        $offer = TimeOffer::query()->with(['meeting.host', 'meeting.coordinator.person', 'times'])->findOrFail($guest->time_offer_id);
        $meeting = $offer->meeting;
        $person = $guest->person;
        $words = LetterWords::to($person, $meeting->host);
        $anchor = $this->zones->zone($meeting->zone);
        $home = $this->clocks->of($person);
        $zone = $this->zone($said) ?? $home ?? $this->zone($ofDevice) ?? $anchor;
        $over = $this->over($offer, $meeting, $person, $words);

        return [
            'language' => $words->language->tag,
            'direction' => $words->language->isRightToLeft() ? 'rtl' : 'ltr',
            'title' => $meeting->title,
            'lead' => $this->says->lead($meeting, $words),
            'words' => $offer->words,
            'purpose' => $meeting->purpose,
            'length' => $words->say('offer_takes', ['length' => $words->language->length($meeting->duration_minutes)]),
            'repeats' => $this->says->repeats($meeting, $words),
            'by' => $over === null ? $words->say('offer_by', ['date' => $words->language->weekdayAndDate(WallTime::ofSeconds($zone->toWall($offer->answer_until->getTimestamp() - 1)))]) : null,
            'over' => $over,
            'zone' => $zone->id,
            'isAsked' => $home === null && $said === null,
            'zoneLine' => $words->say($home === null && $said === null ? 'offer_zone_ask' : 'offer_zone', ['place' => $words->language->place($zone->id)]),
            'times' => $over === null ? $this->times($offer, $guest, $zone, $anchor, $words) : [],
            'replies' => ['accepted' => $words->say('offer_coming'), 'tentative' => $words->say('offer_perhaps'), 'declined' => $words->say('offer_cannot')],
            'unsaid' => array_map(static fn(int $n): string => $words->say('offer_unsaid', ['n' => $n]), range(0, OpenOffer::MOST_TIMES)),
            'comment' => $guest->comment ?? '',
            'commentLabel' => $words->say('offer_comment', ['coordinator' => $meeting->coordinator->person->called()]),
            'answered' => $guest->answered_at === null ? null : $words->say('offer_answered'),
            'calendar' => $this->calendar($person, $words),
            'say' => array_combine(self::WORDS, array_map($words->say(...), self::WORDS)),
            'footer' => $words->say('footer_alone'),
        ];
    }

    /** @return list<array<string, mixed>> */
    private function times(TimeOffer $offer, AskedGuest $guest, Zone $zone, Zone $anchor, LetterWords $words): array
    {
        $readings = array_values(array_filter($this->read->of($offer, $offer->meeting), static fn(OfferReading $r): bool => $r->time->starts_at->isFuture()));
        $taken = $this->takenBy($guest->person, $readings);
        $replies = $guest->replies();
        $hours = $this->hours->of($guest->person);

        return array_map(function (OfferReading $reading) use ($zone, $anchor, $words, $taken, $replies, $hours): array {
            $day = OwnDay::of($reading->slot(), $hours, $zone);
            [$own, $there] = [$reading->wallIn($zone), $reading->wallIn($anchor)];
            $busyDates = $reading->datesOn($taken);

            return [
                'id' => $reading->time->id,
                'date' => $words->language->weekdayAndDate($own),
                'clock' => $words->language->clock($own),
                'there' => $own->seconds === $there->seconds ? null : $words->say('anchor_time', ['clock' => $words->language->clock($there), 'weekday' => $words->language->weekday($there), 'place' => $words->language->place($anchor->id)]),
                'light' => $this->says->light($day->light, $words),
                'ground' => array_map(static fn(Segment $s): array => [$s->from, $s->to, $s->tone], $day->ground),
                'barAt' => $day->barAt,
                'barMinutes' => $reading->plan->durationMinutes,
                'shifts' => $this->says->shifts($reading, $zone, $words),
                'busy' => $busyDates === 0 ? null : $words->say($reading->plan->dates->count() === 1 ? 'offer_busy' : 'offer_busy_dates', ['n' => $busyDates]),
                'reply' => ($replies[$reading->time->id] ?? null)?->value,
            ];
        }, $readings);
    }

    /** @param list<OfferReading> $readings */
    private function takenBy(Person $person, array $readings): IntervalSet
    {
        $windows = IntervalSet::of(array_merge(...array_map(static fn(OfferReading $r): array => $r->slots()->intervals, $readings)));

        return IntervalSet::of(array_map(static fn(Busy $b): Interval => $b->interval, $this->calendars->of([$person->id], $windows, false)[$person->id] ?? []));
    }

    /** @return ?array{isOwnFile: bool, line: ?string} null: nothing is read and a file may be given */
    private function calendar(Person $person, LetterWords $words): ?array
    {
        $calendar = Calendar::query()->where('person_id', $person->id)->first();

        return $calendar === null ? null : ['isOwnFile' => $calendar->kind === 'file', 'line' => $calendar->kind === 'file' ? $words->say('offer_file_there', ['n' => $calendar->events]) : null];
    }

    /** @return ?string why nothing can be answered any more */
    private function over(TimeOffer $offer, Meeting $meeting, Person $person, LetterWords $words): ?string
    {
        return match (true) {
            $meeting->status === MeetingStatus::CalledOff, $offer->state === OfferState::CalledOff, !Attendee::query()->where('meeting_id', $meeting->id)->where('person_id', $person->id)->exists() => $words->say('offer_over_off'),
            $meeting->status === MeetingStatus::Sent => $words->say('offer_over_taken', ['when' => $this->settled($meeting, $person, $words)]),
            $offer->answer_until->isPast() => $words->say('offer_over_late'),
            default => null,
        };
    }

    private function settled(Meeting $meeting, Person $person, LetterWords $words): string
    {
        $zone = $this->clocks->of($person) ?? $this->zones->zone($meeting->zone);
        $start = $this->series->of($meeting)->expand(Work::usual(), limit: 1)->starts[0] ?? 0;

        return $words->dateAndPlace(WallTime::ofSeconds($zone->toWall($start)), $zone->idAt($start));
    }

    private function zone(?string $id): ?Zone
    {
        return $id !== null && $this->zones->knows($id) ? $this->zones->zone($id) : null;
    }
}

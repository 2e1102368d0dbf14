<?php

declare(strict_types=1);

namespace App\Offers;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Guests\GuestLinks;
use App\Live\Live;
use App\People\Account;
use App\People\Person;
use App\People\PersonKind;
use App\Planning\Attendee;
use App\Planning\Meeting;
use Carbon\CarbonImmutable;
use Illuminate\Validation\ValidationException;

/** Offers times to outside guests of a draft: each is mailed a link of their own. */
final readonly class OpenOffer
{
    public const MOST_TIMES = 8;

    public const MOST_GUESTS = 100;

    public function __construct(private GuestLinks $links, private WriteOffer $write, private ReadOffer $read, private Live $live) {}

    /**
     * @param  list<int>  $starts  seconds since 1970, each once
     * @param  list<string>  $guests  people who are asked to the meeting
     */
    public function __invoke(Meeting $meeting, array $starts, array $guests, CarbonImmutable $until, ?string $words, Account $by): TimeOffer
    {
        return Decide::on(function () use ($meeting, $starts, $guests, $until, $words, $by): TimeOffer {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            self::check($meeting);
            $people = self::guestsOf($meeting, $guests);
            $offer = TimeOffer::query()->create(['meeting_id' => $meeting->id, 'account_id' => $by->id, 'duration_minutes' => $meeting->duration_minutes, 'words' => $words, 'state' => OfferState::Open, 'answer_until' => $until])->setRelation('meeting', $meeting);
            sort($starts);
            foreach ($starts as $start) {
                $offer->times()->create(['starts_at' => CarbonImmutable::createFromTimestampUTC($start)]);
            }
            $readings = $this->read->of($offer, $meeting);
            foreach ($people as $person) {
                $offer->guests()->create(['person_id' => $person->id]);
                $this->write->to($person, $offer, $this->links->timeOffer($person, $meeting->id, $offer->id, $until), $readings);
            }
            $this->live->tell([Live::COORDINATION], 'offer', $meeting->id);

            return $offer;
        });
    }

    private static function check(Meeting $meeting): void
    {
        if (!$meeting->status->isEditable()) {
            throw NotNow::locked($meeting->status->value);
        }
        if (TimeOffer::openOf($meeting->id)->exists()) {
            throw NotNow::offerIsOpen();
        }
        if ($meeting->title === '') {
            throw NotNow::notReady(['title']);
        }
        if ($meeting->all_day) {
            throw ValidationException::withMessages(['times' => __('planning.offer_all_day')]);
        }
    }

    /**
     * @param  list<string>  $guests
     * @return list<Person>
     */
    private static function guestsOf(Meeting $meeting, array $guests): array
    {
        $asked = Attendee::query()->where('meeting_id', $meeting->id)->pluck('person_id')->all();
        $people = Person::query()->whereIn('id', array_intersect($guests, $asked))->where('kind', PersonKind::Guest)->whereNull('forgotten_at')->orderBy('list_key')->get();
        if ($people->count() !== count($guests)) {
            throw ValidationException::withMessages(['guests' => __('planning.offer_guests')]);
        }

        return array_values($people->all());
    }
}

<?php

declare(strict_types=1);

namespace App\Offers;

use App\Failure\Decide;
use App\Live\Live;
use App\People\Person;
use App\People\PersonKind;
use App\People\SavePerson;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Offers\OfferReply;

/** Keeps what a guest answers, as often as they like until the round is closed, and where they are, if nobody knew. */
final readonly class AnswerOffer
{
    public function __construct(private SavePerson $savePerson, private GuestOffer $page, private Live $live) {}

    /**
     * @param  array<int, ?OfferReply>  $replies  by time; null: nothing said to it any more
     * @param  ?string  $zone  where they say they are
     * @param  bool  $isSaid  whether they chose it, and did not only leave it as it was proposed
     */
    public function __invoke(AskedGuest $guest, array $replies, ?string $zone, bool $isSaid, ?string $comment): void
    {
        Decide::on(function () use ($guest, $replies, $zone, $isSaid, $comment): void {
            $offer = TimeOffer::query()->with(['meeting', 'times'])->lockForUpdate()->findOrFail($guest->time_offer_id);
            $guest = AskedGuest::query()->with('answers')->lockForUpdate()->findOrFail($guest->id);
            $this->page->mustBeOpen($offer, $guest);
            if (array_diff(array_keys($replies), $offer->times->pluck('id')->all()) !== []) {
                throw ValidationException::withMessages(['replies' => __('planning.offer_unknown_time')]);
            }
            $this->keep($guest, $replies);
            $guest->update(['answered_at' => now(), 'comment' => $comment]);
            $this->remember($guest->person_id, $zone, $isSaid);
            $this->live->tell([Live::COORDINATION], 'offer', $offer->meeting_id);
        });
    }

    /** @param array<int, ?OfferReply> $replies */
    private function keep(AskedGuest $guest, array $replies): void
    {
        $there = $guest->answers->keyBy('offered_time_id');
        foreach ($replies as $time => $reply) {
            $answer = $there->get($time);
            match (true) {
                $reply === null => $answer?->delete(),
                $answer === null => $guest->answers()->create(['offered_time_id' => $time, 'reply' => $reply]),
                default => $answer->update(['reply' => $reply]),
            };
        }
    }

    /** Of a colleague the directory knows better. */
    private function remember(string $personId, ?string $zone, bool $isSaid): void
    {
        $person = Person::query()->lockForUpdate()->findOrFail($personId);
        if ($zone !== null && $person->kind === PersonKind::Guest && $person->zone !== $zone && ($person->zone === null || $isSaid)) {
            ($this->savePerson)($person, ['zone' => $zone]);
            $this->live->tell([Live::COORDINATION], 'person', $person->id);
        }
    }
}

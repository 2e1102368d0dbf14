<?php

declare(strict_types=1);

namespace App\Offers;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Guests\GuestLinks;
use App\Live\Live;
use App\People\Person;
use App\Planning\Meeting;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Mails a guest another link, to the address that they have by now: the one before leads nowhere from then on. What they answered stays. */
final readonly class AskAgain
{
    public function __construct(private GuestLinks $links, private WriteOffer $write, private Live $live) {}

    public function __invoke(Meeting $meeting, Person $person): void
    {
        Decide::on(function () use ($meeting, $person): void {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            $offer = TimeOffer::openOf($meeting->id)->lockForUpdate()->first() ?? throw NotNow::noOffer();
            if (!$meeting->status->isEditable() || $offer->answer_until->isPast()) {
                throw NotNow::noOffer();
            }
            if (!$offer->guests()->where('person_id', $person->id)->exists()) {
                throw new NotFoundHttpException();
            }
            $offer->setRelation('meeting', $meeting);
            $this->write->to($person, $offer, $this->links->timeOffer($person, $meeting->id, $offer->id, $offer->answer_until));
            $this->live->tell([Live::COORDINATION], 'offer', $meeting->id);
        });
    }
}

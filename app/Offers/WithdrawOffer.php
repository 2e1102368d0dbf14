<?php

declare(strict_types=1);

namespace App\Offers;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Invitations\OfferMails;
use App\Live\Live;
use App\Planning\Meeting;

/** Ends a round without a time. Mails that have not left stay here; whoever opens a link is told that it is over. */
final readonly class WithdrawOffer
{
    public function __construct(private OfferMails $mails, private Live $live) {}

    public function __invoke(Meeting $meeting): void
    {
        Decide::on(function () use ($meeting): void {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            $offer = $meeting->status->isEditable() ? TimeOffer::openOf($meeting->id)->lockForUpdate()->first() : null;
            $offer ??= throw NotNow::noOffer();
            $offer->update(['state' => OfferState::CalledOff, 'closed_at' => now()]);
            $this->mails->holdBack($meeting->id);
            $this->live->tell([Live::COORDINATION], 'offer', $meeting->id);
        });
    }
}

<?php

declare(strict_types=1);

namespace App\Offers;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Invitations\OfferMails;
use App\Invitations\SendMeeting;
use App\Overlap\SheetPlan;
use App\People\Account;
use App\Planning\Meeting;
use App\Planning\SaveSheet;
use App\Planning\SheetOfMeeting;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Syndex\Core\Time\ZoneData;

/** Closes a round with one of its times: the sheet is moved there and sent. Both happen or neither does. */
final readonly class TakeOffered
{
    public function __construct(private SheetOfMeeting $sheets, private SaveSheet $save, private SendMeeting $send, private OfferMails $mails, private ZoneData $zones) {}

    /** @param int $version the version of the sheet that was looked at */
    public function __invoke(Meeting $meeting, int $timeId, int $version, Account $by): Meeting
    {
        return Decide::on(function () use ($meeting, $timeId, $version, $by): Meeting {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            $offer = $meeting->status->isEditable() ? TimeOffer::openOf($meeting->id)->lockForUpdate()->first() : null;
            $time = ($offer ?? throw NotNow::noOffer())->times()->find($timeId) ?? throw new NotFoundHttpException();
            if ($time->starts_at->isPast()) {
                throw ValidationException::withMessages(['time' => __('planning.offer_past')]);
            }
            if ($meeting->version === $version) {
                $this->move($meeting, $time->starts_at->getTimestamp());
                $version++;
            }
            // What does not allow it is said by the sending itself, and undoes the move.
            $sent = ($this->send)($meeting, $version, $by);
            $offer->update(['state' => OfferState::Taken, 'taken_time_id' => $time->id, 'closed_at' => now()]);
            $this->mails->holdBack($meeting->id);

            return $sent;
        });
    }

    private function move(Meeting $meeting, int $start): void
    {
        $sheet = $this->sheets->of($meeting);
        $minutes = intdiv($this->zones->zone($meeting->zone)->toWall($start) - $sheet->series->start->seconds, 60);
        // A rule that cannot say the moved dates gives way to the dates themselves: they are what was offered.
        $laid = SheetPlan::moved($sheet, $minutes, 'dates');
        ($this->save)($meeting, $sheet->onDates($laid->asked, $laid->moved, $laid->own), $meeting->version);
    }
}

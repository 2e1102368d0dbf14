<?php

declare(strict_types=1);

namespace App\Offers;

use App\Invitations\CoreMeeting;
use App\Invitations\Letter;
use App\Invitations\LetterWords;
use App\Invitations\Outbox;
use App\Invitations\PackMail;
use App\People\Clocks;
use App\People\Person;
use Illuminate\Contracts\View\Factory;
use Symfony\Component\Mime\Address;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;

/** Writes the mail that offers times, in the guest's language and, where it is known, local time, into the outbox. */
final readonly class WriteOffer
{
    public function __construct(private Outbox $outbox, private Factory $views, private OfferWords $says, private ReadOffer $read, private Clocks $clocks, private ZoneData $zones) {}

    /** @param ?list<OfferReading> $readings the times, where several are written to */
    public function to(Person $person, TimeOffer $offer, #[\SensitiveParameter] string $link, ?array $readings = null): void
    {
        $meeting = $offer->meeting;
        $letter = $this->letter($person, $offer, $link, $readings ?? $this->read->of($offer, $meeting));
        $from = new Address(CoreMeeting::addressOf($meeting), ($meeting->host ?? $meeting->coordinator->person)->called());
        $this->outbox->offerTo($meeting, $person, $letter->subject, static fn(string $id): string => PackMail::letter($from, $person, $letter, $id));
    }

    /** @param list<OfferReading> $readings */
    private function letter(Person $person, TimeOffer $offer, #[\SensitiveParameter] string $link, array $readings): Letter
    {
        $meeting = $offer->meeting;
        $words = LetterWords::to($person, $meeting->host ?? $meeting->coordinator->person);
        $anchor = $this->zones->zone($meeting->zone);
        $zone = $this->clocks->of($person) ?? $anchor;
        $facts = [
            'say' => $words, 'side' => $words->language->isRightToLeft() ? 'right' : 'left', 'meeting' => $meeting,
            'lead' => $this->says->lead($meeting, $words), 'words' => $offer->words, 'repeats' => $this->says->repeats($meeting, $words),
            'times' => array_map(static fn(OfferReading $r): string => $words->dateAndClock($r->wallIn($zone)), $readings),
            'length' => $words->say('offer_length', ['length' => $words->language->length($meeting->duration_minutes), 'place' => $words->language->place($zone->idAt($offer->times[0]?->starts_at->getTimestamp() ?? 0))]),
            'by' => $words->say('offer_by', ['date' => $words->language->weekdayAndDate(WallTime::ofSeconds($zone->toWall($offer->answer_until->getTimestamp() - 1)))]),
            'link' => $link, 'footer' => $words->say('footer_alone'),
        ];

        return new Letter(
            trim((string) preg_replace('/\s+/u', ' ', $words->say('offer_subject', ['title' => $meeting->title]))),
            trim((string) preg_replace("/\n{3,}/", "\n\n", $this->views->make('mail.offer-text', $facts)->render())) . "\n",
            $this->views->make('mail.offer', $facts)->render(),
            $words->language->tag,
        );
    }
}

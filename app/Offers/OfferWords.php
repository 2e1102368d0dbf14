<?php

declare(strict_types=1);

namespace App\Offers;

use App\Invitations\LetterWords;
use App\Planning\Meeting;
use App\Planning\MeetingSeries;
use Syndex\Core\Overlap\Light;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Shifts\LocalReading;
use Syndex\Core\Time\Zone;
use Syndex\Core\Work;

/** What is said of an offer to whoever is asked, in mail and on the page alike. */
final readonly class OfferWords
{
    public function __construct(private MeetingSeries $series) {}

    public function lead(Meeting $meeting, LetterWords $words): string
    {
        $host = ($meeting->host ?? $meeting->coordinator->person)->called();
        $coordinator = $meeting->coordinator->person->called();

        return $host === $coordinator ? $words->say('offer_asks', ['host' => $host]) : $words->say('offer_asks_through', ['host' => $host, 'coordinator' => $coordinator]);
    }

    /** @return ?string null for a meeting of one date */
    public function repeats(Meeting $meeting, LetterWords $words): ?string
    {
        $series = $this->series->of($meeting);

        return match (true) {
            $series->rule === null && $series->extra === [] => null,
            $series->rule?->isOpen() === true => $words->say('offer_first_open'),
            default => $words->say('offer_first_of', ['n' => $this->dates($series)]),
        };
    }

    /** @return list<string> where later dates read otherwise on the reader's clock than the first */
    public function shifts(OfferReading $reading, Zone $zone, LetterWords $words): array
    {
        $dates = $reading->plan->dates;

        return array_map(static fn(array $e): string => $words->say($dates->complete ? 'clock_shift' : 'clock_shift_open', ['date' => $words->language->date($e['first']), 'clock' => $e['clock'], 'n' => $e['dates']]), LocalReading::of($dates, $zone)->exceptions());
    }

    /** @return ?string what is to be said of a time that lies outside of usual hours */
    public function light(Light $light, LetterWords $words): ?string
    {
        return match ($light) {
            Light::Night => $words->say('offer_night'),
            Light::BeforeHours => $words->say('offer_early'),
            Light::AfterHours => $words->say('offer_late'),
            Light::DayOff => $words->say('offer_day_off'),
            Light::InHours, Light::BetweenHours, Light::Unknown => null,
        };
    }

    private function dates(Series $series): int
    {
        return $series->expand(Work::usual(), limit: 1000)->count();
    }
}

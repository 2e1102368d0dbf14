<?php

declare(strict_types=1);

namespace App\People;

use App\Failure\Decide;
use Illuminate\Support\Facades\DB;

/** Says where somebody's busy times come from. What came from elsewhere before goes. */
final readonly class SetCalendar
{
    public function __construct(private LayBusyTimes $lay) {}

    /**
     * A feed, read soon and from then on again and again. The same once more changes nothing.
     *
     * @param bool $readNow of many at once those whose time has come are taken up together
     *
     * @throws FeedFailed if it is no address
     */
    public function feed(Person $person, string $url, bool $readNow = true): Calendar
    {
        $url = Calendar::address($url);
        [$host] = FeedAddress::parts($url);

        return Decide::on(static function () use ($person, $url, $host, $readNow): Calendar {
            Person::query()->lockForUpdate()->findOrFail($person->id);
            $calendar = Calendar::query()->where('person_id', $person->id)->first();
            if ($calendar?->isAt($url) === true) {
                return $calendar;
            }
            $shows = $calendar->shows_titles ?? false;
            $calendar?->delete();
            $made = Calendar::query()->create(['person_id' => $person->id, 'kind' => 'feed', 'url' => $url, 'url_hash' => Calendar::hashOf($url), 'label' => mb_substr($host, 0, 300), 'shows_titles' => $shows, 'state' => 'new', 'next_try_at' => $readNow ? now()->addMinutes(15) : now()]);
            if ($readNow) {
                ReadFeed::dispatch($made->id)->afterCommit();
            }

            return $made->refresh();
        });
    }

    /** Whether others see what for. Titles that nobody is to see are not kept; those that are to be seen come with the next reading. */
    public function titles(Calendar $calendar, bool $shows): void
    {
        Decide::on(static function () use ($calendar, $shows): void {
            $calendar->update(['shows_titles' => $shows, 'laid_at' => null, 'next_try_at' => $calendar->kind === 'feed' ? now() : null]);
            if (!$shows) {
                DB::table('busy_times')->where('calendar_id', $calendar->id)->update(['title' => null]);
            } elseif ($calendar->kind === 'feed') {
                ReadFeed::dispatch($calendar->id)->afterCommit();
            }
        });
    }

    /**
     * A file, read now and once.
     *
     * @throws FeedFailed if it is no calendar; then what was there stays
     */
    public function file(Person $person, string $name, string $octets): Calendar
    {
        return Decide::on(function () use ($person, $name, $octets): Calendar {
            Person::query()->lockForUpdate()->findOrFail($person->id);
            $there = Calendar::query()->where('person_id', $person->id)->first();
            $shows = $there->shows_titles ?? false;
            $there?->delete();
            $calendar = Calendar::query()->create(['person_id' => $person->id, 'kind' => 'file', 'label' => mb_substr($name, 0, 300), 'shows_titles' => $shows, 'state' => 'ok', 'tried_at' => now(), 'read_at' => now(), 'laid_at' => now()])->refresh();
            $calendar->update(['events' => ($this->lay)($calendar, $octets)]);

            return $calendar;
        });
    }
}

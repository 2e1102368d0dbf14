<?php

declare(strict_types=1);

namespace App\People;

use App\Live\Live;

/** Reads a feed now: what it says is laid down, or why not is kept and it is asked again after a pause that grows. */
final readonly class ReadCalendar
{
    private const EVERY_MINUTES = 30;

    /** Minutes after the first failure, the second, and so on. */
    private const PAUSES = [5, 15, 60, 240, 720];

    /** So often it is read whole though it says that it is as it was, since the days that are looked at move on. */
    private const WHOLE_HOURS = 20;

    public function __construct(private CalendarSource $source, private LayBusyTimes $lay, private Live $live) {}

    public function __invoke(Calendar $calendar): Calendar
    {
        $isWhole = $calendar->laid_at === null || $calendar->laid_at->isBefore(now()->subHours(self::WHOLE_HOURS));
        try {
            $answer = $this->source->read((string) $calendar->url, $isWhole ? null : $calendar->etag, $isWhole ? null : $calendar->modified);
            $values = ['state' => 'ok', 'problem' => null, 'failures' => 0, 'read_at' => now(), 'next_try_at' => now()->addMinutes(self::EVERY_MINUTES)->addSeconds(random_int(0, 120))];
            if ($answer->calendar !== null) {
                $values = [...$values, 'events' => ($this->lay)($calendar, $answer->calendar), 'laid_at' => now(), 'etag' => $answer->etag, 'modified' => $answer->modified];
            }
        } catch (FeedFailed $failed) {
            $pause = self::PAUSES[min($calendar->failures, count(self::PAUSES) - 1)];
            $values = ['state' => 'failing', 'problem' => $failed->why, 'failures' => $calendar->failures + 1, 'next_try_at' => now()->addMinutes($pause)->addSeconds(random_int(0, 30))];
        }
        // Another feed may have taken its place meanwhile: what this one said is not its.
        Calendar::query()->whereKey($calendar->id)->where('url_hash', $calendar->url_hash)->update([...$values, 'tried_at' => now()]);
        $this->live->tell([Live::COORDINATION], 'person', $calendar->person_id);

        return $calendar->refresh();
    }
}

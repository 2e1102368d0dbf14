<?php

declare(strict_types=1);

namespace App\People;

use App\Failure\Decide;
use Illuminate\Contracts\Events\Dispatcher;
use Illuminate\Support\Facades\DB;
use Syndex\Core\Calendars\ReadTaken;
use Syndex\Core\Calendars\TakenTime;
use Syndex\Core\ICalendar\CalendarReader;
use Syndex\Core\ICalendar\NotACalendar;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\TooMuchWork;
use Syndex\Core\Work;

/** Lays down by person and range what a calendar says is taken. A stretch that stays is the row it was. */
final readonly class LayBusyTimes
{
    private const STEPS = 20_000_000;

    private const OCTETS = 150_000_000;

    private const MOST_STRETCHES = 30_000;

    private const AT_ONCE = 1000;

    public function __construct(private ZoneData $zones, private Clocks $clocks, private OwnEvents $own, private Dispatcher $events) {}

    /**
     * @param string $octets of a calendar
     * @return int how many stretches it holds now
     *
     * @throws FeedFailed if it is no calendar, or one that asks too much; what was laid before stays
     */
    public function __invoke(Calendar $calendar, string $octets): int
    {
        [$taken, $own] = $this->read($calendar, $octets);

        return Decide::on(function () use ($calendar, $taken, $own): int {
            Calendar::query()->lockForUpdate()->findOrFail($calendar->id);
            $there = DB::table('busy_times')->where('calendar_id', $calendar->id)->pluck('id', 'key')->all();
            $rows = $added = [];
            foreach ($taken as $one) {
                if (!isset($there[$one->key()]) && !isset($rows[$one->key()])) {
                    $added[] = ['interval' => $one->interval, 'kind' => $one->kind];
                }
                $rows[$one->key()] = [
                    'calendar_id' => $calendar->id, 'person_id' => $calendar->person_id, 'key' => $one->key(), 'kind' => $one->kind, 'title' => $calendar->shows_titles ? $one->title : null,
                    'starts_at' => gmdate('Y-m-d H:i:s', $one->interval->start), 'ends_at' => gmdate('Y-m-d H:i:s', $one->interval->end),
                ];
            }
            foreach (array_chunk(array_values($rows), self::AT_ONCE) as $some) {
                DB::table('busy_times')->upsert($some, ['calendar_id', 'key'], ['title']);
            }
            foreach (array_chunk(array_values(array_diff_key($there, $rows)), self::AT_ONCE) as $ids) {
                DB::table('busy_times')->whereIn('id', $ids)->delete();
            }
            PackedBusyTimes::keep($calendar->id, array_values($rows));
            $this->events->dispatch(new BusyTimesChanged($calendar->person_id, $added, $own));

            return count($rows);
        });
    }

    /**
     * @return array{list<TakenTime>, list<Interval>} what is theirs, and when our own meetings are
     *
     * @throws FeedFailed
     */
    private function read(Calendar $calendar, string $octets): array
    {
        $person = $calendar->loadMissing('person')->person;
        $now = now()->getTimestamp();
        $window = Interval::between($now - 86400, $now + ((int) config('syndex.horizon_days')) * 86400);
        $work = Work::atMost(self::STEPS, self::OCTETS);
        try {
            $taken = ReadTaken::from(CalendarReader::ofText($octets, $this->zones, $work), $this->clocks->of($person) ?? $this->zones->zone('UTC'), $window, $work, [$person->email]);
        } catch (NotACalendar) {
            throw FeedFailed::because('no_calendar');
        } catch (TooMuchWork) {
            throw FeedFailed::because('too_much');
        }
        if (count($taken) > self::MOST_STRETCHES) {
            throw FeedFailed::because('too_much');
        }
        $own = array_flip($this->own->among(array_values(array_unique(array_filter(array_map(static fn(TakenTime $t): ?string => $t->uid, $taken))))));

        $isOwn = static fn(TakenTime $t): bool => $t->uid !== null && isset($own[$t->uid]);

        return [
            array_values(array_filter($taken, static fn(TakenTime $t): bool => !$isOwn($t))),
            array_values(array_map(static fn(TakenTime $t): Interval => $t->interval, array_filter($taken, $isOwn))),
        ];
    }
}

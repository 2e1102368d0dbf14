<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\ICalendar\Entry;
use Syndex\Core\ICalendar\EntryWriter;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** A calendar file of events. */
final readonly class Write implements Verb
{
    public function __construct(private ZoneData $zones) {}

    public function keys(): array
    {
        return ['method', 'now', 'events'];
    }

    public function answer(Fields $fields): array
    {
        $method = $fields->textOrNull('method');
        if ($method !== null && preg_match('/\A[A-Za-z][A-Za-z0-9-]*\z/', $method) !== 1) {
            throw BadLine::badValue('method', 'a method like REQUEST', $method);
        }
        $work = Work::atMost(Protocol::MOST_STEPS);
        $now = SeriesKeys::instant($fields, 'now');
        $fields->mustName('events');
        $entries = array_map(fn(\stdClass $event): Entry => EventKeys::read($event, $this->zones, $work), $fields->objects('events'));
        foreach ($entries as $entry) {
            if ($now === null && $entry->stamp === null) {
                throw BadLine::because('expected an instant in "now", since an event carries no "dtstamp", got none');
            }
        }

        return ['ics' => EntryWriter::write($method === null ? null : strtoupper($method), $entries, $now->seconds ?? 0, $work)];
    }
}

<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\ICalendar\CalendarReader;
use Syndex\Core\ICalendar\NotACalendar;
use Syndex\Core\ICalendar\ReadWarning;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** The events of a calendar file. */
final readonly class Read implements Verb
{
    public const A_MEGABYTE = 1_000_000;

    /** Octets of memory that the events of one line may take, about. */
    public const MOST_HELD = 240_000_000;

    /** What one takes until its answer is written. */
    private const AN_EVENT = 3_500;

    private const A_PART = 900;

    public function __construct(private ZoneData $zones) {}

    public function keys(): array
    {
        return ['ics', 'ics_base64'];
    }

    public function answer(Fields $fields): array
    {
        $octets = self::octets($fields);
        $work = Work::atMost(Protocol::MOST_STEPS * (1 + intdiv(strlen($octets), self::A_MEGABYTE)), self::MOST_HELD);
        $reader = CalendarReader::ofText($octets, $this->zones, $work);
        $events = [];
        try {
            foreach ($reader->entries() as $entry) {
                $work->hold(self::AN_EVENT + self::A_PART * (count($entry->attendees) + count($entry->extra) + count($entry->dropped)));
                $events[] = EventKeys::write($entry);
            }
        } catch (NotACalendar $none) {
            throw BadLine::because($none->getMessage());
        }

        return [
            'method' => $reader->method(),
            'events' => $events,
            'warnings' => array_map(static fn(ReadWarning $w): array => ['line' => $w->line, 'code' => $w->code, 'message' => $w->message], $reader->warnings->all()),
        ];
    }

    private static function octets(Fields $fields): string
    {
        if ($fields->has('ics') === $fields->has('ics_base64')) {
            throw BadLine::because('expected one of the keys "ics" and "ics_base64", got ' . ($fields->has('ics') ? 'both' : 'neither'));
        }
        if ($fields->has('ics')) {
            return $fields->text('ics');
        }
        $octets = base64_decode($fields->text('ics_base64'), true);

        return $octets === false ? throw BadLine::because('expected base64 in "ics_base64", got what is none') : $octets;
    }
}

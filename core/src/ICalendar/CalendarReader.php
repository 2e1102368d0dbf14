<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/**
 * Reads the events of iCalendar files as they are found in the wild, one at a time: memory stays flat however long a
 * file is. What is broken is skipped with a warning; nothing is executed, fetched or guessed silently.
 */
final class CalendarReader
{
    /** Steps of work that a content line costs, measured against an instance of a rule. */
    private const LINE = 8;

    /** Octets of memory that a line takes while its event is open, beside its text. */
    private const HELD = 1_200;

    /** Components nested deeper are passed over. */
    private const DEEPEST = 40;

    public readonly Warnings $warnings;

    private ?string $method = null;

    private bool $hasMethod = false;

    private int $calendar = 0;

    /** @var list<FreeBusyPeriod> */
    private array $periods = [];

    private FileZones $zones;

    private bool $scanned = false;

    private readonly ZoneResolver $resolver;

    /** @var array<string, true> */
    private array $told = [];

    /** @param \Closure(): iterable<string> $open gives the file's octets from its start, in pieces; asked again where zones stand after events */
    public function __construct(private readonly \Closure $open, ZoneData $zones, private readonly Work $work)
    {
        $this->warnings = new Warnings();
        $this->zones = new FileZones($work, $this->warnings);
        $this->resolver = new ZoneResolver($zones, $work);
    }

    public static function ofText(string $octets, ZoneData $zones, Work $work): self
    {
        return new self(static fn(): array => [$octets], $zones, $work);
    }

    /**
     * @return \Generator<int, Entry> in the order of the file, of all its VCALENDARs
     *
     * @throws NotACalendar if there is no VCALENDAR, told at the end
     */
    public function entries(): \Generator
    {
        $this->calendar = 0;
        $event = $held = [];
        $begunAt = 0;
        foreach ($this->parts(($this->open)(), $this->warnings) as [$what, $at, $line]) {
            switch ($what) {
                case 'calendar':
                    $this->calendar++;
                    break;
                case 'VEVENT':
                    [$event, $begunAt] = [[], $at];
                    break;
                case 'line VEVENT':
                    if ($line !== null && isset(EntryBuilder::WANTED[$line->name])) {
                        $this->work->hold($held[] = self::HELD + 2 * strlen($line->value));
                        $event[] = $line;
                    }
                    break;
                case 'line VFREEBUSY':
                    if ($line?->name === 'FREEBUSY') {
                        $this->takePeriods($line);
                    }
                    break;
                case 'METHOD':
                    $this->takeMethod($line);
                    break;
                case '/VEVENT':
                    yield EntryBuilder::build($event, $begunAt, $this->clock(...), $this->warnings, $this->work);
                    $this->work->release(array_sum($held));
                    [$event, $held] = [[], []];
                    break;
                default:
                    if (!$this->scanned) {
                        $this->gatherZone($what, $line);
                    }
            }
        }
        if ($this->calendar === 0) {
            throw NotACalendar::found();
        }
    }

    /** @return list<FreeBusyPeriod> of its VFREEBUSY components, in the order of the file; known when the entries have been read */
    public function periods(): array
    {
        return $this->periods;
    }

    /** METHOD of the first VCALENDAR, in capitals; known when the entries have been read. */
    public function method(): ?string
    {
        return $this->method;
    }

    /**
     * The file as a walk over what matters in it: begin and end of calendars, events, zones and observances, and their lines.
     *
     * @param  iterable<string>  $chunks
     * @return \Generator<int, array{string, int, ?PropertyLine}>
     */
    private function parts(iterable $chunks, ?Warnings $warnings): \Generator
    {
        $open = [];
        $tooDeep = 0;
        $last = 0;
        $inside = null;
        foreach (Unfolding::lines($chunks, $warnings, $this->work) as $at => $text) {
            $last = $at;
            $this->work->spend(self::LINE + (strlen($text) >> 8));
            $line = PropertyLine::parse($at, $text);
            if ($line === null) {
                $warnings?->add($at, 'broken_line', 'the line is no property and was skipped');

                continue;
            }
            if (($tooDeep > 0 || count($open) >= self::DEEPEST) && ($line->name === 'BEGIN' || ($line->name === 'END' && $tooDeep > 0))) {
                if ($tooDeep === 0) {
                    $warnings?->add($at, 'outside', 'components are nested too deep here and were skipped');
                }
                $tooDeep += $line->name === 'BEGIN' ? 1 : -1;
            } elseif ($tooDeep > 0) {
                continue;
            } elseif ($line->name === 'BEGIN') {
                $name = strtoupper(trim($line->value));
                foreach ($this->toClose($open, $name) as $left) {
                    $warnings?->add($at, 'unclosed', "$left had no end before BEGIN:$name");
                    array_pop($open);
                    yield ["/$left", $at, null];
                }
                if ($open === [] && $name !== 'VCALENDAR') {
                    $warnings?->add($at, 'outside', "$name stands outside a calendar and was skipped");
                }
                $open[] = $name;
                $inside = count($open) > 1 && $this->matters($open) ? "line $name" : null;
                if ($inside !== null || $open === ['VCALENDAR']) {
                    yield [$name === 'VCALENDAR' ? 'calendar' : $name, $at, null];
                }
            } elseif ($line->name === 'END') {
                $name = strtoupper(trim($line->value));
                if (!in_array($name, $open, true)) {
                    $warnings?->add($at, 'broken_line', "END:$name ends nothing that began");

                    continue;
                }
                do {
                    $matters = $open !== [] && $this->matters($open);
                    $ended = (string) array_pop($open);
                    if ($ended !== $name) {
                        $warnings?->add($at, 'unclosed', "$ended had no end before END:$name");
                    }
                    if ($matters && $ended !== 'VCALENDAR') {
                        yield ["/$ended", $at, null];
                    }
                } while ($ended !== $name);
                $inside = count($open) > 1 && $this->matters($open) ? 'line ' . $open[count($open) - 1] : null;
            } elseif ($inside !== null) {
                yield [$inside, $at, $line];
            } elseif ($open === []) {
                $warnings?->add($at, 'outside', 'the line stands outside a calendar and was skipped');
            } elseif ($open === ['VCALENDAR']) {
                if ($line->name === 'METHOD') {
                    yield ['METHOD', $at, $line];
                }
            }
        }
        while ($open !== []) {
            $matters = $this->matters($open);
            $left = array_pop($open);
            $warnings?->add($last, 'unclosed', "the file ends within $left");
            if ($matters && $left !== 'VCALENDAR') {
                yield ["/$left", $last, null];
            }
        }
    }

    /**
     * What a BEGIN shows to have lost its END: a calendar, an event or a zone cannot lie within an event or a zone.
     *
     * @param  list<string>  $open
     * @return list<string> innermost first
     */
    private function toClose(array $open, string $name): array
    {
        if (!in_array($name, ['VCALENDAR', 'VEVENT', 'VTIMEZONE'], true)) {
            return [];
        }
        $keep = $name === 'VCALENDAR' || ($open[0] ?? '') !== 'VCALENDAR' ? 0 : 1;

        return array_reverse(array_slice($open, $keep));
    }

    /** @param non-empty-list<string> $open */
    private function matters(array $open): bool
    {
        return $open[0] === 'VCALENDAR' && match (count($open)) {
            1 => true,
            2 => $open[1] === 'VEVENT' || $open[1] === 'VTIMEZONE' || $open[1] === 'VFREEBUSY',
            3 => $open[1] === 'VTIMEZONE' && ($open[2] === 'STANDARD' || $open[2] === 'DAYLIGHT'),
            default => false,
        };
    }

    private function takePeriods(PropertyLine $line): void
    {
        foreach (explode(',', $line->value) as $text) {
            $this->work->spend(self::LINE);
            $period = FreeBusyPeriod::parse($text, $line->parameters['FBTYPE'] ?? 'BUSY');
            // One that cannot be read is passed over.
            if ($period !== null) {
                $this->work->hold(self::HELD);
                $this->periods[] = $period;
            }
        }
    }

    private function takeMethod(?PropertyLine $line): void
    {
        if ($this->calendar === 1 && !$this->hasMethod && $line !== null) {
            $this->hasMethod = true;
            $this->method = strtoupper(trim($line->value));
        }
    }

    private function gatherZone(string $what, ?PropertyLine $line): void
    {
        match ($what) {
            'VTIMEZONE' => $this->zones->begin(),
            'line VTIMEZONE' => $line?->name === 'TZID' ? $this->zones->name($line->text()) : null,
            'line STANDARD', 'line DAYLIGHT' => $line === null ? null : $this->zones->add($line),
            '/STANDARD', '/DAYLIGHT' => $this->zones->endObservance(),
            '/VTIMEZONE' => $this->zones->end($this->calendar),
            default => null,
        };
    }

    /** The clock that a TZID means in the year of a start. */
    private function clock(PropertyLine $line, string $tzid, int $wall): EntryClock
    {
        $zone = $this->resolver->byName($tzid);
        if ($zone !== null) {
            return EntryClock::zoned($zone);
        }
        $own = $this->ownZone($tzid);
        if ($own === null) {
            $this->tell($line, 'zone_unknown', $tzid, 'is not known and the file does not describe it; its times have no zone');

            return EntryClock::floating();
        }
        $zone = $this->resolver->byClock($tzid, $own, $wall);
        if ($zone === null) {
            $this->tell($line, 'zone_unknown', $tzid, 'is not known; its times have the offsets that the file gives');

            return EntryClock::ofFile($own);
        }
        $this->tell($line, 'zone_by_clock', $tzid, "is not known; its clock is that of $zone->id, which was taken");

        return EntryClock::zoned($zone);
    }

    private function ownZone(string $tzid): ?FileZone
    {
        $zone = $this->zones->find($this->calendar, $tzid);
        if ($zone === null && !$this->scanned) {
            $this->scanned = true;
            $this->scanZones();
            $zone = $this->zones->find($this->calendar, $tzid);
        }

        return $zone;
    }

    /** Reads on for zones that stand after the events that need them. */
    private function scanZones(): void
    {
        $here = $this->calendar;
        $this->calendar = 0;
        foreach ($this->parts(($this->open)(), null) as [$what, , $line]) {
            if ($what === 'calendar') {
                $this->calendar++;
            } else {
                $this->gatherZone($what, $line);
            }
        }
        $this->calendar = $here;
    }

    /** Once for each zone and finding. */
    private function tell(PropertyLine $line, string $code, string $tzid, string $message): void
    {
        if (!isset($this->told["$this->calendar $tzid $message"])) {
            $this->told["$this->calendar $tzid $message"] = true;
            $this->warnings->add($line->line, $code, 'zone "' . mb_strimwidth($tzid, 0, 80, '…') . "\" $message");
        }
    }
}

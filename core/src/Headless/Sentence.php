<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\Recurrence\Series;
use Syndex\Core\Sentence\English\English;
use Syndex\Core\Sentence\Grammar;
use Syndex\Core\Time\InvalidTime;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** The plain sentence of a series, and the series of a typed sentence. */
final readonly class Sentence implements Verb
{
    private const A_DAY = 1440;

    public function __construct(private ZoneData $zones) {}

    public function keys(): array
    {
        return [...SeriesKeys::NAMES, 'duration', 'locale', 'text', 'today'];
    }

    public function answer(Fields $fields): array
    {
        $grammar = $this->grammar($fields->textOrNull('locale') ?? 'en');

        return $fields->has('text') ? $this->read($fields, $grammar) : ['text' => $this->write($fields, $grammar)];
    }

    private function grammar(string $locale): Grammar
    {
        return preg_match('/\Aen(?:-[a-z0-9]{1,8})*\z/i', $locale) === 1 ? new English($this->zones) : throw BadLine::unknownLocale($locale);
    }

    private function write(Fields $fields, Grammar $grammar): string
    {
        $fields->only([...SeriesKeys::NAMES, 'duration', 'locale']);
        $series = SeriesKeys::read($fields, $this->zones, Work::atMost(Protocol::MOST_STEPS));
        $minutes = $fields->neededNumber('duration', 1);
        if ($series->allDay && $minutes % self::A_DAY !== 0) {
            throw BadLine::badValue('duration', 'whole days of 1440 minutes for dates', $minutes);
        }

        return $grammar->write($series, $minutes);
    }

    /** @return array<string, mixed> */
    private function read(Fields $fields, Grammar $grammar): array
    {
        $fields->only(['text', 'today', 'tzid', 'locale']);
        $today = $fields->text('today');
        $fields->mustName('tzid');
        $zone = $fields->textOrNull('tzid');
        if ($zone !== null) {
            $this->zones->zone($zone);
        }
        try {
            $read = $grammar->read($fields->text('text'), WallTime::parseDate($today), $zone);
        } catch (InvalidTime $bad) {
            throw BadLine::because($bad->getMessage());
        }

        return [...self::series($read->series), 'duration' => $read->durationMinutes, 'understood' => $read->understood];
    }

    /** @return array<string, mixed> */
    private static function series(Series $series): array
    {
        $format = static fn(WallTime $wall): string => $series->allDay ? $wall->formatDate() : $wall->format();

        return [
            'dtstart' => $format($series->start),
            'tzid' => $series->zone?->id,
            'rrule' => $series->ruleText(),
            'rdate' => array_map($format, $series->extra),
            'exdate' => array_map($format, $series->dropped),
        ];
    }
}

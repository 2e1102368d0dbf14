<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Recurrence\Series;
use Syndex\Core\Sentence\Grammar;
use Syndex\Core\Sentence\HeardSeries;
use Syndex\Core\Sentence\NotUnderstood;
use Syndex\Core\Sentence\ReadSentence;
use Syndex\Core\Sentence\SentencePiece;
use Syndex\Core\Sentence\TooOdd;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Time\ZoneNames;

/** English sentences about when and how often. */
final readonly class English implements Grammar
{
    private ZoneNames $names;

    public function __construct(private ZoneData $zones)
    {
        $this->names = new ZoneNames($zones);
    }

    public function write(Series $series, int $durationMinutes): string
    {
        $odd = $this->oddParts($series);

        return $odd === [] ? SentencePiece::join($this->pieces($series, $durationMinutes)) : throw TooOdd::parts($odd);
    }

    public function pieces(Series $series, int $durationMinutes): array
    {
        return (new EnglishSentence($this->names))->pieces($series, $durationMinutes);
    }

    public function oddParts(Series $series): array
    {
        return EnglishSentence::oddParts($series);
    }

    public function read(string $text, WallTime $today, ?string $zoneId): ReadSentence
    {
        $heard = EnglishReader::read($text, $today, $this->names);
        $zoneId = $heard->zone ?? $zoneId;
        if ($zoneId !== null && !$this->zones->knows($zoneId)) {
            throw NotUnderstood::words($zoneId, 'there is no such zone');
        }

        return HeardSeries::of($heard, trim($text), $today, $zoneId === null ? null : $this->zones->zone($zoneId));
    }
}

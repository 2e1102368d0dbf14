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
use Syndex\Core\Time\ZoneLetters;
use Syndex\Core\Time\ZoneNames;
use Syndex\Core\Work;

/** English sentences about when and how often. */
final readonly class English implements Grammar
{
    /** So many slips in one sentence are put right. */
    private const MOST_SLIPS = 3;

    private ZoneNames $names;

    public function __construct(private ZoneData $zones, ?ZoneNames $names = null)
    {
        $this->names = $names ?? new ZoneNames($zones);
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

    public function read(string $text, WallTime $today, ?string $zoneId, ?int $usualTime = null): ReadSentence
    {
        try {
            return $this->understood($text, $today, $zoneId, $usualTime);
        } catch (NotUnderstood $not) {
            throw $not->reason === 'unknown_words' ? $this->nearMiss($not, $text, $today, $zoneId, $usualTime) : $not;
        }
    }

    private function understood(string $text, WallTime $today, ?string $zoneId, ?int $usualTime): ReadSentence
    {
        $heard = EnglishReader::read($text, $today, $this->names, new ZoneLetters($this->zones));
        $zoneId = $heard->zone ?? $zoneId;
        if ($zoneId !== null && !$this->zones->knows($zoneId)) {
            throw NotUnderstood::of($zoneId, 'no_such_zone');
        }

        return HeardSeries::of($heard, $today, $zoneId === null ? null : $this->zones->zone($zoneId), $usualTime, $this->zones, Work::usual());
    }

    /** Words that are nearly others: offered only where the whole would then be understood. */
    private function nearMiss(NotUnderstood $not, string $text, WallTime $today, ?string $zoneId, ?int $usualTime): NotUnderstood
    {
        $slips = new EnglishSlips($this->names);
        $meant = [];
        $at = $not;
        for ($try = 0; $try < self::MOST_SLIPS; $try++) {
            $better = $slips->corrected($text, $at->quote);
            if ($better === null) {
                return $not;
            }
            [$text, $word] = $better;
            $meant[] = $word;
            try {
                $this->understood($text, $today, $zoneId, $usualTime ?? 0);

                return NotUnderstood::nearMiss($not->quote, $meant, $text);
            } catch (NotUnderstood $next) {
                if ($next->reason !== 'unknown_words') {
                    return $not;
                }
                $at = $next;
            }
        }

        return $not;
    }
}

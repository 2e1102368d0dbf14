<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence;

use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\WallTime;

/** The plain sentence of one language, both ways. */
interface Grammar
{
    /** @throws TooOdd if there are no words for the series; the parts are listed */
    public function write(Series $series, int $durationMinutes): string;

    /**
     * The sentence cut where a part of it can be changed; a rule too odd for words is named as such.
     *
     * @return list<SentencePiece>
     */
    public function pieces(Series $series, int $durationMinutes): array;

    /** @return list<string> the parts of its rule for which there are no words; none if all can be said */
    public function oddParts(Series $series): array;

    /**
     * @param  WallTime  $today  its midnight
     * @param  ?string  $zoneId  where the sentence names none; null: floating
     * @param  ?int  $usualTime  second of the day that stands in where the sentence names none; null: it must
     *
     * @throws NotUnderstood quoting what has no meaning, or several
     */
    public function read(string $text, WallTime $today, ?string $zoneId, ?int $usualTime = null): ReadSentence;
}

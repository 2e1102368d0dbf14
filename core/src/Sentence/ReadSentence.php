<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence;

use Syndex\Core\Recurrence\Series;

/** What a typed sentence means. */
final readonly class ReadSentence
{
    /**
     * @param  list<string>  $understood  the pieces of the text that meant something, in order
     * @param  bool  $isUsualTime  the time of day was not said: the usual one stands in
     */
    public function __construct(public Series $series, public int $durationMinutes, public array $understood, public bool $isUsualTime = false) {}
}

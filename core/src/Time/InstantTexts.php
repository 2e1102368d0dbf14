<?php

declare(strict_types=1);

namespace Syndex\Core\Time;

/** Reads very many instants: days and times of day come again and again, so each is read once. */
final class InstantTexts
{
    /** More are not kept. */
    private const KEPT = 60_000;

    /** @var array<string, int> seconds by the text of a day, or of a time of day with its offset */
    private array $known = [];

    /**
     * As {@see Instant::parse}.
     *
     * @return int whole seconds since 1970-01-01T00:00:00Z
     *
     * @throws InvalidTime
     */
    public function seconds(string $text): int
    {
        $day = substr($text, 0, 10);
        $clock = substr($text, 10);
        if (isset($this->known[$day], $this->known[$clock])) {
            return $this->known[$day] + $this->known[$clock];
        }
        $seconds = Instant::parse($text)->seconds;
        if (count($this->known) < self::KEPT) {
            $this->known[$day] = Instant::parse($day . 'T00:00:00Z')->seconds;
            $this->known[$clock] = $seconds - $this->known[$day];
        }

        return $seconds;
    }
}

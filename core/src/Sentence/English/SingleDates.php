<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

use Syndex\Core\Sentence\Cursor;
use Syndex\Core\Sentence\Heard;

/** What is left out and what is added: "except Fridays", "except 5 January", "also on 9 December". */
final readonly class SingleDates
{
    public function __construct(private Cursor $text, private Heard $heard, private EnglishDates $dates) {}

    public function taken(): bool
    {
        if ($this->text->eat('(?:but\s+)?(?:except(?:ing)?(?:\s+for)?|excluding|without|not|skipping|apart\s+from)(?:\s+on)?\s+') === null) {
            return false;
        }
        $days = $this->text->eat('(?:every\s+|on\s+)?(' . EnglishPatterns::DAYS . ')(?!\s*,?\s+(?:the\s+)?(?:\d{1,2}(?:st|nd|rd|th|\.)?\s+(?:of\s+)?' . EnglishPatterns::MONTH . '|' . EnglishPatterns::MONTH . '|\d{4}-))');
        if ($days !== null) {
            $this->heard->notDays = [...$this->heard->notDays, ...EnglishNumbers::weekdays($days[1])];

            return true;
        }
        if ($this->text->eat('(?:at\s+|on\s+)?weekends\b') !== null) {
            $this->heard->notDays = [...$this->heard->notDays, 5, 6];

            return true;
        }
        $months = $this->text->eat('(?:in|during)\s+(' . EnglishPatterns::MONTHS . ')(?!\s+\d)');
        if ($months !== null) {
            $this->heard->notMonths = [...$this->heard->notMonths, ...EnglishNumbers::monthNumbers($months[1])];

            return true;
        }
        $this->heard->dropped = [...$this->heard->dropped, ...$this->dates->dates()];

        return true;
    }

    public function added(): bool
    {
        if ($this->text->eat('(?:and\s+)?(?:also|plus|additionally)(?:\s+on)?\s+') === null) {
            return false;
        }
        $this->heard->extra = [...$this->heard->extra, ...$this->dates->dates()];

        return true;
    }
}

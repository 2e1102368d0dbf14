<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Person;
use Syndex\Core\Sentence\Catalogue;
use Syndex\Core\Sentence\Language;
use Syndex\Core\Time\WallTime;

/** The words of a letter in one language. */
final class LetterWords
{
    /** @var array<string, self> */
    private static array $known = [];

    private readonly Catalogue $texts;

    private function __construct(public readonly Language $language)
    {
        $this->texts = new Catalogue($language->locale(), require lang_path("$language->tag/letter.php"));
    }

    /** In the recipient's language; in the host's where it is not known; in English where it is none of ours. */
    public static function to(?Person $reader, ?Person $host = null): self
    {
        return self::in(Language::of($reader === null || $reader->language === null ? $host?->language : $reader->language) ?? Language::english());
    }

    /** As whoever plans reads it. */
    public static function english(): self
    {
        return self::in(Language::english());
    }

    public static function in(Language $language): self
    {
        return self::$known[$language->tag] ??= new self($language);
    }

    /** @param array<string, int|string> $with */
    public function say(string $key, array $with = []): string
    {
        return $this->texts->say($key, $with);
    }

    /** "Tuesday 8 December 2026, 15:30" */
    public function dateAndClock(WallTime $wall): string
    {
        return $this->say('date_clock', ['date' => $this->language->weekdayAndDate($wall), 'clock' => $this->language->clock($wall)]);
    }

    /** The same with the place whose clock it is. */
    public function dateAndPlace(WallTime $wall, string $zoneId): string
    {
        return $this->say('date_clock_place', ['date' => $this->language->weekdayAndDate($wall), 'clock' => $this->language->clock($wall), 'place' => $this->language->place($zoneId)]);
    }

    /** What is read from left to right in any language: numbers to dial. In a text from right to left it is set apart (Unicode UAX 9, LRI and PDI). */
    public function leftToRight(string $text): string
    {
        return $this->language->isRightToLeft() ? "\u{2066}$text\u{2069}" : $text;
    }

    /** @return list<string> */
    public function keys(): array
    {
        return $this->texts->keys();
    }
}

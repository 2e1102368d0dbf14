<?php

declare(strict_types=1);

namespace Syndex\Core\Sentence\English;

/** What English words about times look like, as regular expressions. */
final class EnglishPatterns
{
    public const DAY = '(?:mon(?:days?)?|tue(?:s(?:days?)?)?|wed(?:s|nesdays?)?|thu(?:r(?:s(?:days?)?)?)?|fri(?:days?)?|sat(?:urdays?)?|sun(?:days?)?)\b';

    public const MONTH = '(?:jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sep(?:t(?:ember)?)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)\b\.?';

    public const NUMBER = '(?:\d{1,9}|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)\b';

    public const ORDINAL = '(?:\d{1,3}(?:st|nd|rd|th)|first|second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth)\b';

    /** Ordinals that may count from the end. */
    public const WHICH = '(?:' . self::ORDINAL . '[\s-]to[\s-]last\b|last\b|' . self::ORDINAL . ')';

    public const AND = '\s*(?:,\s*(?:and\b)?|\band\b|&|\+|\/)\s*';

    public const WHICHES = self::WHICH . '(?:' . self::AND . '(?:the\s+)?' . self::WHICH . ')*';

    /** With "and", or one beside the other: "mon wed fri"; a weekday with its date begins something else. */
    public const DAYS = self::DAY . '(?:(?:' . self::AND . '|\s+(?!' . self::DAY . '\s*,?\s+(?:the\s+)?(?:\d{1,2}(?:st|nd|rd|th|\.)?\s+(?:of\s+)?' . self::MONTH . '|' . self::MONTH . '|\d{4}-)))' . self::DAY . ')*';

    public const MONTHS = self::MONTH . '(?:' . self::AND . self::MONTH . ')*';

    public const WORKING_DAY = '(?:working\s+day|business\s+day|work\s?day|week\s?day)s?\b';

    public const CLOCK = '(\d{1,2})(?:[:.h](\d{2}))?(?![\d:])(?:\s*(am\b|pm\b|a\.m\.|p\.m\.))?';

    public const FILLER = '(?:please|plan|schedule|let[\'’]?s|we|meet|meetings?|calls?|sessions?|series|repeats|repeating|on|the|an?|and)\b';
}

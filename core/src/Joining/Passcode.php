<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** What an arriving person types: letters and digits only (common practice). */
final readonly class Passcode
{
    public const LEAST = 6;

    public const MOST = 16;

    private const MADE_LENGTH = 8;

    /** No look-alikes: 0 O o, 1 l I i, 2 Z z, 5 S s, 8 B, u v are told apart badly in print or when read aloud. */
    private const ALPHABET = '34679ACDEFGHJKLMNPQRTWXYabcdefghjkmnpqrtwxy';

    private function __construct(#[\SensitiveParameter] public string $text) {}

    /** @throws InvalidPasscode if it is too short or long or has other signs */
    public static function typed(#[\SensitiveParameter] string $text): self
    {
        return preg_match('/\A[A-Za-z0-9]{' . self::LEAST . ',' . self::MOST . '}\z/', $text) === 1
            ? new self($text)
            : throw InvalidPasscode::ofForm(self::LEAST, self::MOST);
    }

    /** Eight signs of 43: about 43 bits. One at least is a digit and one a letter, as many rules of organisations ask. */
    public static function made(Randomness $randomness): self
    {
        do {
            $text = '';
            for ($i = 0; $i < self::MADE_LENGTH; $i++) {
                $text .= self::ALPHABET[$randomness->below(strlen(self::ALPHABET))];
            }
        } while (preg_match('/\d/', $text) !== 1 || preg_match('/[A-Za-z]/', $text) !== 1);

        return new self($text);
    }
}

<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** What an arriving person types: letters and digits only (common practice). */
final readonly class Passcode
{
    public const LEAST = 6;

    public const MOST = 16;

    private const MADE_LENGTH = 8;

    /** From so many bits on it is good, and strong: guessing at a door that counts tries (NIST SP 800-63B 5.2.2) has a handful of them. */
    private const GOOD = 36;

    private const STRONG = 48;

    /** No look-alikes: 0 O o, 1 l I i, 2 Z z, 5 S s, 8 B, u v are told apart badly in print or when read aloud. */
    private const ALPHABET = '34679ACDEFGHJKLMNPQRTWXYabcdefghjkmnpqrtwxy';

    private function __construct(#[\SensitiveParameter] public string $text) {}

    /** @throws InvalidPasscode if it is too short or long or has other signs */
    public static function typed(#[\SensitiveParameter] string $text, int $least = self::LEAST): self
    {
        return preg_match('/\A[A-Za-z0-9]{' . $least . ',' . self::MOST . '}\z/', $text) === 1
            ? new self($text)
            : throw InvalidPasscode::ofForm($least, self::MOST);
    }

    /** Eight signs of 43: about 43 bits, if no other length is asked for. One at least is a digit and one a letter, as many rules of organisations ask. */
    public static function made(Randomness $randomness, int $length = self::MADE_LENGTH): self
    {
        do {
            $text = '';
            for ($i = 0; $i < $length; $i++) {
                $text .= self::ALPHABET[$randomness->below(strlen(self::ALPHABET))];
            }
        } while (preg_match('/\d/', $text) !== 1 || preg_match('/[A-Za-z]/', $text) !== 1);

        return new self($text);
    }

    /** How many bits it has, if each sign was chosen by chance among those of its kinds: letters of either case, digits. */
    public function bits(): int
    {
        $kinds = array_sum(array_map(fn(string $kind, int $signs): int => preg_match("/$kind/", $this->text) === 1 ? $signs : 0, ['[0-9]', '[a-z]', '[A-Z]'], [10, 26, 26]));
        // One that was made has no look-alikes.
        $signs = strspn($this->text, self::ALPHABET) === strlen($this->text) ? min($kinds, strlen(self::ALPHABET)) : $kinds;

        return (int) floor(strlen($this->text) * log($signs, 2));
    }

    /** @return 'weak'|'good'|'strong' */
    public function strength(): string
    {
        return match (true) {
            $this->bits() < self::GOOD => 'weak',
            $this->bits() < self::STRONG => 'good',
            default => 'strong',
        };
    }
}

<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** What a caller keys in after the meeting number: digits only. */
final readonly class Pin
{
    private const LENGTH = 6;

    private function __construct(#[\SensitiveParameter] public string $digits) {}

    /** One that was made before. */
    public static function of(#[\SensitiveParameter] string $digits): self
    {
        return new self($digits);
    }

    /** Never begins with 0, and is neither one digit repeated nor a straight run such as 123456. */
    public static function made(Randomness $randomness): self
    {
        do {
            $digits = (string) (1 + $randomness->below(9));
            while (strlen($digits) < self::LENGTH) {
                $digits .= (string) $randomness->below(10);
            }
        } while (self::isWeak($digits));

        return new self($digits);
    }

    private static function isWeak(string $digits): bool
    {
        $steps = [];
        for ($i = 1; $i < strlen($digits); $i++) {
            $steps[(int) $digits[$i] - (int) $digits[$i - 1]] = true;
        }

        return count($steps) === 1 && abs(array_key_first($steps)) <= 1;
    }
}

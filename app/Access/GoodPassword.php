<?php

declare(strict_types=1);

namespace App\Access;

use Closure;
use Illuminate\Contracts\Validation\ValidationRule;

/**
 * Long enough, and not among those that everybody tries first (NIST SP 800-63B 5.1.1.2). The list is that of the npm package
 * `@zxcvbn-ts/language-common`, written out when the interface is built.
 */
final class GoodPassword implements ValidationRule
{
    private const LEAST = 10;

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        if (!is_string($value) || mb_strlen($value) < self::LEAST) {
            $fail(__('people.password_short'));
        } elseif (self::isCommon($value)) {
            $fail(__('people.password_common'));
        }
    }

    /** Whether it is among those that everybody tries first: as it stands, and without the digits and signs that are hung on its end. */
    public static function isCommon(string $password): bool
    {
        $plain = mb_strtolower($password);
        $bare = (string) preg_replace('/[\d\W_]+\z/u', '', $plain);
        if (count(array_count_values(mb_str_split($plain))) < 4) {
            return true;
        }
        $file = fopen(base_path('build/common-passwords.txt'), 'r');
        if ($file === false) {
            throw new \RuntimeException('The list of common passwords is missing: run bin/syndex setup.');
        }
        try {
            while (($line = fgets($file)) !== false) {
                $common = rtrim($line, "\n");
                if ($common === $plain || ($common === $bare && mb_strlen($plain) - mb_strlen($bare) < 6)) {
                    return true;
                }
            }
        } finally {
            fclose($file);
        }

        return false;
    }
}

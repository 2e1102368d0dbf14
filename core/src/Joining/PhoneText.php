<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

use libphonenumber\NumberParseException;
use libphonenumber\PhoneNumberFormat;
use libphonenumber\PhoneNumberUtil;

/** A telephone number as people read it and as telephones take it. */
final class PhoneText
{
    /** Two seconds for the voice that asks (common practice, no published source). */
    private const PAUSE = ',,';

    /** As people abroad read it: "+64 9 555 0142". */
    public static function of(string $e164): string
    {
        return self::formatted($e164, PhoneNumberFormat::INTERNATIONAL);
    }

    /** As it is dialled in its own country: "09 555 0142". */
    public static function national(string $e164): string
    {
        return self::formatted($e164, PhoneNumberFormat::NATIONAL);
    }

    /** What a telephone can dial by itself, number and PIN and all, where it understands pauses (common practice, no published source). */
    public static function dialString(string $e164, string $number, #[\SensitiveParameter] string $pin): string
    {
        return $e164 . self::PAUSE . $number . '#' . self::PAUSE . $pin . '#';
    }

    /** @return ?string the country of a number, ISO 3166-1 alpha-2; null: not known, or of several */
    public static function country(string $e164): ?string
    {
        try {
            $util = PhoneNumberUtil::getInstance();
            $region = $util->getRegionCodeForNumber($util->parse($e164));
        } catch (NumberParseException) {
            return null;
        }

        return $region !== null && preg_match('/\A[A-Z]{2}\z/', $region) === 1 && $region !== 'ZZ' ? $region : null;
    }

    private static function formatted(string $e164, PhoneNumberFormat $as): string
    {
        try {
            $util = PhoneNumberUtil::getInstance();

            return $util->format($util->parse($e164), $as);
        } catch (NumberParseException) {
            return $e164;
        }
    }
}

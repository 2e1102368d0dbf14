<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

use libphonenumber\NumberParseException;
use libphonenumber\PhoneNumberFormat;
use libphonenumber\PhoneNumberUtil;

/** A telephone number as people write it, made into the form that is kept: ITU-T E.164, "+254202555142". */
final class PhoneNumber
{
    /**
     * @param  ?string  $country  ISO 3166-1 alpha-2, for a number written as at home
     * @return ?string null where it cannot be one: too short or long for its country, or no country is known
     */
    public static function of(string $typed, ?string $country): ?string
    {
        try {
            $util = PhoneNumberUtil::getInstance();
            $number = $util->parse($typed, $country);

            return $util->isPossibleNumber($number) ? $util->format($number, PhoneNumberFormat::E164) : null;
        } catch (NumberParseException) {
            return null;
        }
    }
}

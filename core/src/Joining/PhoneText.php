<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

use libphonenumber\NumberParseException;
use libphonenumber\PhoneNumberFormat;
use libphonenumber\PhoneNumberUtil;

/** A telephone number as people abroad read it: "+64 9 555 0142". */
final class PhoneText
{
    public static function of(string $e164): string
    {
        try {
            $util = PhoneNumberUtil::getInstance();

            return $util->format($util->parse($e164), PhoneNumberFormat::INTERNATIONAL);
        } catch (NumberParseException) {
            return $e164;
        }
    }
}

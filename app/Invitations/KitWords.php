<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Joining\GivenKit;
use Syndex\Core\Joining\MeetingNumber;

/** What one types to come in, as letters and calendar entries say it. */
final class KitWords
{
    /** At the link: number, and passcode where one is asked for. */
    public static function typed(GivenKit $kit, LetterWords $words): string
    {
        $number = MeetingNumber::of($kit->number)->format();

        return $kit->passcode === null ? $words->say('number_alone', ['number' => $number]) : $words->say('number_and_passcode', ['number' => $number, 'passcode' => $kit->passcode]);
    }

    /** On the telephone, once the number has answered. */
    public static function dialled(GivenKit $kit, LetterWords $words): string
    {
        return $kit->pin === null ? $words->say('then_number', ['number' => $kit->number]) : $words->say('then_pin', ['number' => $kit->number, 'pin' => $kit->pin]);
    }
}

<?php

declare(strict_types=1);

namespace App\Joining;

use Syndex\Core\Joining\RoomRules;
use Syndex\Core\Joining\RoomSetting;

/** What of a kit is given to those who come: under the rules of its room, whatever it holds besides. */
final readonly class GivenKit
{
    /**
     * @param  string  $link  with the passcode in it, where that is wanted and the bridge has such a one
     * @param  ?string  $passcode  null: none is asked for
     * @param  ?string  $pin  null: none is asked for
     */
    private function __construct(public string $link, public string $number, public ?string $passcode, public ?string $pin) {}

    /** @param ?RoomRules $rules null: nobody wrote them down then */
    public static function under(JoiningKit $kit, ?RoomRules $rules): self
    {
        $isAsked = $rules?->is(RoomSetting::Passcode) ?? true;
        $isInLink = $isAsked && ($rules?->is(RoomSetting::PasscodeInLink) ?? false);

        return new self($isInLink ? $kit->open_link ?? $kit->link : $kit->link, $kit->number, $isAsked ? $kit->passcode : null, $isAsked ? $kit->pin : null);
    }
}

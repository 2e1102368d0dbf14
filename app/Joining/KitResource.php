<?php

declare(strict_types=1);

namespace App\Joining;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Syndex\Core\Joining\MeetingNumber;
use Syndex\Core\Joining\Passcode;
use Syndex\Core\Joining\PhoneText;

/** @mixin JoiningKit */
final class KitResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'link' => $this->link,
            'number' => MeetingNumber::of($this->number)->format(),
            'passcode' => $this->passcode,
            'strength' => ['bits' => Passcode::typed($this->passcode)->bits(), 'is' => Passcode::typed($this->passcode)->strength()],
            'pin' => $this->pin,
            'settled' => $this->unsettled_at === null,
            'dialIns' => array_map(static fn(array $d): array => ['country' => $d['country'], 'number' => PhoneText::of($d['number']), 'uri' => 'tel:' . $d['number']], $this->dial_ins),
        ];
    }
}

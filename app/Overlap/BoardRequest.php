<?php

declare(strict_types=1);

namespace App\Overlap;

use App\Access\KnownZone;
use App\Planning\SheetRequest;
use Illuminate\Validation\Rule;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;

/** The sheet as it stands in the browser, and which date to show. */
final class BoardRequest extends SheetRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'index' => ['present', 'integer', 'between:0,100000'], 'meetingId' => ['nullable', 'string', 'max:26'], 'anchorIn' => ['sometimes', 'string', 'max:64'], 'shiftMinutes' => ['sometimes', 'integer', 'between:-1440,1440'],
            'moveAs' => ['sometimes', 'nullable', Rule::in(['words', 'dates'])]];
    }

    /** @return 'words'|'dates'|null */
    public function moveAs(): ?string
    {
        return match ($this->input('moveAs')) {
            'words' => 'words',
            'dates' => 'dates',
            default => null,
        };
    }

    /** The zone that the series is to be anchored in from now on, its first date staying where it is. */
    public function anchor(ZoneData $zones): ?Zone
    {
        $id = $this->string('anchorIn')->toString();

        return KnownZone::is($id, $zones) ? $zones->zone($id) : null;
    }
}

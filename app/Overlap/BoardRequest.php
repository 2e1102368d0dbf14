<?php

declare(strict_types=1);

namespace App\Overlap;

use App\Planning\SheetRequest;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;

/** The sheet as it stands in the browser, and which date to show. */
final class BoardRequest extends SheetRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'index' => ['present', 'integer', 'min:0'], 'meetingId' => ['nullable', 'string'], 'anchorIn' => ['sometimes', 'string'], 'shiftMinutes' => ['sometimes', 'integer', 'between:-1440,1440']];
    }

    /** The zone that the series is to be anchored in from now on, its first date staying where it is. */
    public function anchor(ZoneData $zones): ?Zone
    {
        $id = $this->string('anchorIn')->toString();

        return $zones->knows($id) ? $zones->zone($id) : null;
    }
}

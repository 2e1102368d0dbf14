<?php

declare(strict_types=1);

namespace App\Overlap;

use App\Planning\SheetRequest;

/** The sheet as it stands in the browser, and which date to show. */
final class BoardRequest extends SheetRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'index' => ['present', 'integer', 'min:0'], 'meetingId' => ['nullable', 'string'], 'shiftMinutes' => ['sometimes', 'integer', 'between:-1440,1440']];
    }
}

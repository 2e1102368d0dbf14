<?php

declare(strict_types=1);

namespace App\Overlap;

use App\Access\KnownZone;
use App\Planning\Meeting;
use App\Planning\Sheet;
use App\Planning\SheetRequest;
use Illuminate\Validation\Rule;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;

/** The sheet as it stands in the browser, and which date to show. */
final class BoardRequest extends SheetRequest
{
    /** Minutes: a single meeting is looked for over two weeks. */
    private const FARTHEST = 14 * 1440;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'index' => ['present', 'integer', 'between:0,100000'], 'meetingId' => ['nullable', 'string', 'max:26'], 'anchorIn' => ['sometimes', 'string', 'max:64'], 'shiftMinutes' => ['sometimes', 'integer', 'between:' . -self::FARTHEST . ',' . self::FARTHEST],
            'turns' => ['sometimes', 'array', 'list', 'min:1', 'max:' . SheetPlan::MOST_DATES],
            'turns.*' => ['integer', 'between:-1440,1440'],
            'moveAs' => ['sometimes', 'nullable', Rule::in(['words', 'dates'])]];
    }

    /** The sheet with its dates: as it stands, or moved, by turns or on another clock, whichever is asked for. */
    public function laidOut(Sheet $sheet, ZoneData $zones): SheetPlan
    {
        $turns = array_map(intval(...), array_values((array) $this->input('turns', [])));
        $anchor = $this->anchor($zones);

        return match (true) {
            $turns !== [] => SheetPlan::byTurns($sheet, $turns),
            $anchor !== null => SheetPlan::anchoredIn($sheet, $anchor),
            default => SheetPlan::moved($sheet, $this->integer('shiftMinutes'), $this->moveAs()),
        };
    }

    /** What its people know it as, so that it does not clash with itself. */
    public function meetingId(): ?string
    {
        $id = $this->input('meetingId');

        return is_string($id) ? Meeting::query()->find($id, ['id', 'changes_id'])?->known_as : null;
    }

    /** @return 'words'|'dates'|null */
    private function moveAs(): ?string
    {
        return match ($this->input('moveAs')) {
            'words' => 'words',
            'dates' => 'dates',
            default => null,
        };
    }

    /** The zone that the series is to be anchored in from now on, its first date staying where it is. */
    private function anchor(ZoneData $zones): ?Zone
    {
        $id = $this->string('anchorIn')->toString();

        return KnownZone::is($id, $zones) ? $zones->zone($id) : null;
    }
}

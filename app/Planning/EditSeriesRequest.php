<?php

declare(strict_types=1);

namespace App\Planning;

use Illuminate\Validation\Rule;
use Syndex\Core\Recurrence\CannotEditDate;
use Syndex\Core\Recurrence\EditDates;
use Syndex\Core\Recurrence\MovedDates;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\ZoneData;

/** A series as it stands in the browser, and what is to become of one of its dates. */
final class EditSeriesRequest extends SeriesRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'edit' => ['sometimes', 'nullable', 'array'],
            'edit.do' => ['required_with:edit', Rule::in(['drop', 'add', 'move'])],
            'edit.date' => ['required_with:edit', 'string'],
            'edit.to' => ['required_if:edit.do,move', 'nullable', 'string'],
        ];
    }

    /** With the move that is asked for. */
    public function moved(): MovedDates
    {
        $moved = parent::moved();
        $allDay = $this->boolean('allDay');

        return is_array($this->input('edit')) && $this->input('edit.do') === 'move'
            ? $moved->with($this->wall('edit.date', $this->string('edit.date')->toString(), $allDay), $this->wall('edit.to', $this->string('edit.to')->toString(), $allDay))
            : $moved;
    }

    public function edited(ZoneData $zones): Series
    {
        $series = $this->series($zones);
        if (!is_array($this->input('edit'))) {
            return $series;
        }
        $series = SaveSheet::onRule($series);
        $date = $this->wall('edit.date', $this->string('edit.date')->toString(), $series->allDay);
        try {
            return match ($this->input('edit.do')) {
                'drop' => EditDates::drop($series, $date),
                'add' => EditDates::add($series, $date),
                default => EditDates::move($series, $date, $this->wall('edit.to', $this->string('edit.to')->toString(), $series->allDay)),
            };
        } catch (CannotEditDate $cannot) {
            $this->fail('edit', __('planning.' . $cannot->why));
        }
    }
}

<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** An absence as entered. */
final class AbsenceRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            ...DayRange::entry($this, '9990-01-01'),
            'standInId' => ['present', 'nullable', 'string', 'max:26', 'exists:people,id'],
            'note' => ['present', 'nullable', 'string', 'max:200'],
            'showsNote' => ['required', 'boolean'],
        ];
    }

    /** @return array<string, mixed> columns */
    public function values(Person $person): array
    {
        if ($this->input('standInId') === $person->id) {
            throw ValidationException::withMessages(['standInId' => __('people.own_stand_in')]);
        }
        $note = $this->string('note')->trim()->toString();

        return [
            'person_id' => $person->id,
            'from_on' => $this->string('fromOn')->toString(),
            'until_on' => $this->string('untilOn')->toString(),
            'stand_in_id' => $this->input('standInId'),
            'note' => $note === '' ? null : $note,
            'shows_note' => $this->boolean('showsNote'),
        ];
    }
}

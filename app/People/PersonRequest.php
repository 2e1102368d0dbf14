<?php

declare(strict_types=1);

namespace App\People;

use App\Access\KnownZone;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Time\InvalidHours;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Time\ZoneData;

/** A person as entered, new or changed. */
final class PersonRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'kind' => [Rule::requiredIf($this->isMethod('POST')), 'string', Rule::enum(PersonKind::class)],
            'name' => ['nullable', 'string', 'max:200'],
            'email' => [Rule::requiredIf($this->isMethod('POST')), 'string', 'max:254'],
            'zone' => ['nullable', 'string', 'max:64'],
            'language' => ['nullable', 'string', 'max:35', 'regex:/^[A-Za-z]{2,3}([_-][A-Za-z0-9]{2,8})*\z/'],
            'job' => ['nullable', 'string', 'max:200'],
            'hours' => ['nullable', 'array'],
            'hours.*' => ['array', 'list', 'max:6'],
            'hours.*.*' => ['array:0,1', 'size:2'],
            'hours.*.*.*' => ['string'],
        ];
    }

    /** @return array<string, mixed> columns of what was entered, and only that */
    public function values(ZoneData $zones): array
    {
        $values = array_map(static fn($v) => is_string($v) ? (trim($v) === '' ? null : trim($v)) : $v, $this->safe()->only(['kind', 'name', 'zone', 'language', 'job', 'hours']));
        if (isset($values['zone']) && !KnownZone::is((string) $values['zone'], $zones)) {
            throw ValidationException::withMessages(['zone' => __('planning.unknown_zone')]);
        }
        if (isset($values['hours'])) {
            try {
                $values['hours'] = WorkingHours::of($values['hours'])->toArray();
            } catch (InvalidHours) {
                throw ValidationException::withMessages(['hours' => __('people.hours_form')]);
            }
        }
        if ($this->has('email')) {
            $values['email'] = Address::of($this->string('email')->toString(), 'email');
        }

        return $values;
    }
}

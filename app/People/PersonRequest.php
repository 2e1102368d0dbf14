<?php

declare(strict_types=1);

namespace App\People;

use App\Access\KnownZone;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Joining\PhoneNumber;
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
            'country' => ['nullable', 'string', 'size:2', 'regex:/\A[A-Z]{2}\z/'],
            'region' => ['nullable', 'string', 'max:12'],
            'keepsHolidays' => ['sometimes', 'nullable', 'boolean:strict'],
            'phone' => ['nullable', 'string', 'max:40'],
            'standInId' => ['sometimes', 'nullable', 'string', 'max:26', 'exists:people,id'],
            'hours' => ['nullable', 'array'],
            'hours.*' => ['array', 'list', 'max:6'],
            'hours.*.*' => ['array:0,1', 'size:2'],
            'hours.*.*.*' => ['string'],
            'quietHours' => ['sometimes', 'nullable', 'array'],
            'quietHours.*' => ['array', 'list', 'max:6'],
            'quietHours.*.*' => ['array:0,1', 'size:2'],
            'quietHours.*.*.*' => ['string'],
        ];
    }

    /** @return array<string, mixed> columns of what was entered, and only that */
    public function values(ZoneData $zones): array
    {
        $values = array_map(static fn($v) => is_string($v) ? (trim($v) === '' ? null : trim($v)) : $v, $this->safe()->only(['kind', 'name', 'zone', 'language', 'job', 'hours', 'country', 'region', 'phone']));
        foreach (['keepsHolidays' => 'keeps_holidays', 'standInId' => 'stand_in_id', 'quietHours' => 'quiet_hours'] as $field => $column) {
            if ($this->has($field)) {
                $values[$column] = $this->input($field);
            }
        }
        if (isset($values['zone']) && !KnownZone::is((string) $values['zone'], $zones)) {
            throw ValidationException::withMessages(['zone' => __('planning.unknown_zone')]);
        }
        foreach (['hours' => 'hours', 'quiet_hours' => 'quietHours'] as $column => $field) {
            if (isset($values[$column])) {
                $values[$column] = self::hours($field, $values[$column]);
            }
        }
        // No hours of one's own on any day are none of one's own.
        if (($values['quiet_hours'] ?? null) === []) {
            $values['quiet_hours'] = null;
        }
        if (isset($values['country']) && !Countries::knows((string) $values['country'])) {
            throw ValidationException::withMessages(['country' => __('people.unknown_country')]);
        }
        if (isset($values['phone'])) {
            $values['phone'] = PhoneNumber::of((string) $values['phone'], $values['country'] ?? $this->person()?->country) ?? throw ValidationException::withMessages(['phone' => __('people.unknown_phone')]);
        }
        if (isset($values['stand_in_id']) && $values['stand_in_id'] === $this->person()?->id) {
            throw ValidationException::withMessages(['standInId' => __('people.own_stand_in')]);
        }
        if ($this->has('email')) {
            $values['email'] = Address::of($this->string('email')->toString(), 'email');
        }

        return $values;
    }

    /**
     * What somebody may say of themselves; their name, their address and who they are to the house is for others to say.
     *
     * @param  array<string, mixed>  $values
     * @return array<string, mixed>
     */
    public function ownValues(array $values): array
    {
        foreach (['name', 'email', 'kind', 'job'] as $theirs) {
            if (array_key_exists($theirs, $values)) {
                throw ValidationException::withMessages([$theirs => __('people.not_yours_to_say')]);
            }
        }

        return $values;
    }

    /**
     * @param  array<string, list<array{string, string}>>  $given
     * @return array<string, list<array{string, string}>>
     */
    private static function hours(string $field, array $given): array
    {
        try {
            return WorkingHours::of($given)->toArray();
        } catch (InvalidHours) {
            throw ValidationException::withMessages([$field => __('people.hours_form')]);
        }
    }

    private function person(): ?Person
    {
        $person = $this->route('person');

        return $person instanceof Person ? $person : null;
    }
}

<?php

declare(strict_types=1);

namespace App\Access;

use Closure;
use Illuminate\Contracts\Validation\ValidationRule;
use Syndex\Core\Time\ZoneData;

/** A zone of the zone data, as spelt there; what else the machine knows by name ("localtime") is none. */
final readonly class KnownZone implements ValidationRule
{
    public function __construct(private ZoneData $zones) {}

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        if (!is_string($value) || !$this->zones->knows($value)) {
            $fail(__('planning.unknown_zone'));
        }
    }
}

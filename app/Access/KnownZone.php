<?php

declare(strict_types=1);

namespace App\Access;

use Closure;
use Illuminate\Contracts\Validation\ValidationRule;
use Syndex\Core\Time\ZoneData;

/** A zone of the zone data, as spelt there, in which somebody could live; what else the machine knows by name ("localtime") is none. */
final readonly class KnownZone implements ValidationRule
{
    /** The mark of a machine that was never told where it stands (IANA zone data, factory). */
    private const NOWHERE = 'Factory';

    public function __construct(private ZoneData $zones) {}

    public static function is(string $id, ZoneData $zones): bool
    {
        return $id !== self::NOWHERE && $zones->knows($id);
    }

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        if (!is_string($value) || !self::is($value, $this->zones)) {
            $fail(__('planning.unknown_zone'));
        }
    }
}

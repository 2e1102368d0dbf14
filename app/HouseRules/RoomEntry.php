<?php

declare(strict_types=1);

namespace App\HouseRules;

use Illuminate\Validation\Rule;
use Syndex\Core\Joining\RoomSetting;

/** What may be entered of the settings of a room. */
final class RoomEntry
{
    /** @return array<string, list<mixed>> for what is usual and what is locked, of a house or a team */
    public static function rules(string $field): array
    {
        return [
            $field => ['sometimes', 'array:usual,locked'],
            "$field.usual" => ["present_with:$field", 'array', self::settings(...)],
            "$field.locked" => ["present_with:$field", 'array', 'list', 'max:' . count(RoomSetting::cases())],
            "$field.locked.*" => ['bail', 'required', 'string', Rule::enum(RoomSetting::class)],
        ];
    }

    /** Fails for each setting that there is not, or that cannot have its value. */
    public static function settings(string $field, mixed $given, \Closure $fail): void
    {
        foreach (is_array($given) ? $given : [] as $name => $value) {
            if (RoomSetting::tryFrom((string) $name)?->takes($value) !== true) {
                $fail(__('planning.room_setting', ['name' => mb_strimwidth((string) $name, 0, 40, '…')]));

                return;
            }
        }
    }
}

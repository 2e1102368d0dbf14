<?php

declare(strict_types=1);

namespace App\People;

use App\HouseRules\HouseRules;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Syndex\Core\Time\PlaceName;

/** @mixin Person */
final class PersonResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'kind' => $this->kind->value,
            'name' => $this->name,
            'email' => $this->email,
            'job' => $this->job,
            'zone' => $this->zone,
            'city' => $this->zone === null ? null : PlaceName::of($this->zone),
            'country' => $this->country,
            'region' => $this->region,
            'language' => $this->language,
            'hours' => (object) $this->workingHours(app(HouseRules::class)->workingWeek())->toArray(),
            'hoursAssumed' => $this->hours === null,
            'left' => $this->left_at !== null,
            'initials' => self::initials($this->name ?? $this->email),
        ];
    }

    private static function initials(string $name): string
    {
        $words = preg_split('/[\s@.]+/u', $name, -1, PREG_SPLIT_NO_EMPTY) ?: ['?'];
        $letters = [$words[0], count($words) > 1 && !str_contains($name, '@') ? $words[count($words) - 1] : mb_substr($words[0], 1)];

        return mb_strtoupper(implode('', array_map(static fn(string $w): string => mb_substr($w, 0, 1), $letters)));
    }
}

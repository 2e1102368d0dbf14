<?php

declare(strict_types=1);

namespace App\HouseRules;

use Syndex\Core\Joining\RoomRules;
use Syndex\Core\Joining\RoomSetting;

/** What somebody who may say so has settled for many rooms at once: the house, or a team. */
final readonly class RoomSource
{
    /**
     * @param  ?string  $team  its name; null: the house
     * @param  array<string, mixed>  $usual  by the name of the {@see RoomSetting}
     * @param  list<string>  $locked  names of settings that no meeting may have otherwise
     */
    private function __construct(public ?string $team, public array $usual, public array $locked) {}

    /** @param mixed $kept `["usual" => map, "locked" => list]`, as it was kept; what means nothing any more is passed over */
    public static function read(?string $team, mixed $kept): self
    {
        $usual = [];
        foreach (is_array($kept) ? (array) ($kept['usual'] ?? []) : [] as $name => $value) {
            if (RoomSetting::tryFrom((string) $name)?->takes($value) === true) {
                $usual[(string) $name] = $value;
            }
        }

        return new self($team, $usual, array_values(array_filter(is_array($kept) ? (array) ($kept['locked'] ?? []) : [], static fn(mixed $name): bool => is_string($name) && RoomSetting::tryFrom($name) !== null)));
    }

    /** The value that is usual here; of a lock without one, the usual one of all. */
    public function value(RoomSetting $setting): mixed
    {
        return array_key_exists($setting->value, $this->usual) ? $this->usual[$setting->value] : $setting->default();
    }

    /** @return array{usual: array<string, mixed>, locked: list<string>} each setting as it is here, said or not */
    public function wire(): array
    {
        return ['usual' => RoomRules::of([], $this->usual)->toArray(), 'locked' => $this->locked];
    }

    public function locks(RoomSetting $setting): bool
    {
        return in_array($setting->value, $this->locked, true);
    }
}

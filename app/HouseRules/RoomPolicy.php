<?php

declare(strict_types=1);

namespace App\HouseRules;

use Syndex\Core\Joining\RoomRules;
use Syndex\Core\Joining\RoomSetting;

/** What the house and the teams of a host have settled for a room, taken together: of two locks the stricter one holds. */
final readonly class RoomPolicy
{
    /** @param list<RoomSource> $sources the house first */
    public function __construct(private array $sources) {}

    /** @param array<string, mixed> $chosen for one meeting, by the name of the setting */
    public function rules(array $chosen): RoomRules
    {
        return RoomRules::of($chosen, $this->usual(), $this->locked());
    }

    /** @return list<?string> who locks a setting with the value that holds: teams by their name, null for the house; none: it is open */
    public function lockedBy(RoomSetting $setting): array
    {
        $holds = $this->locked()[$setting->value] ?? null;

        return array_values(array_map(static fn(RoomSource $s): ?string => $s->team, array_filter($this->sources, static fn(RoomSource $s): bool => $s->locks($setting) && $setting->stricter($s->value($setting), $holds) === $s->value($setting))));
    }

    /** @return array<string, mixed> of the house, or of the host's teams where they say something: the strictest of them */
    private function usual(): array
    {
        $usual = [];
        $byTeam = [];
        foreach ($this->sources as $source) {
            foreach ($source->usual as $name => $value) {
                if ($source->team === null) {
                    $usual[$name] = $value;
                } else {
                    $byTeam[$name] = array_key_exists($name, $byTeam) ? RoomSetting::from($name)->stricter($byTeam[$name], $value) : $value;
                }
            }
        }

        return [...$usual, ...$byTeam];
    }

    /** @return array<string, mixed> */
    private function locked(): array
    {
        $locked = [];
        foreach ($this->sources as $source) {
            foreach ($source->locked as $name) {
                $setting = RoomSetting::from($name);
                $value = $source->value($setting);
                $locked[$name] = array_key_exists($name, $locked) ? $setting->stricter($locked[$name], $value) : $value;
            }
        }

        return $locked;
    }
}

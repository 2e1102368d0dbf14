<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** All settings of one room, as they hold. */
final readonly class RoomRules
{
    /** @param array<string, mixed> $values by the name of the setting, each there */
    private function __construct(private array $values) {}

    /**
     * What is locked holds; else what was chosen for the meeting, else what is usual in the house, else what is usual.
     *
     * @param  array<string, mixed>  $chosen  by the name of the setting
     * @param  array<string, mixed>  $usual
     * @param  array<string, mixed>  $locked
     */
    public static function of(array $chosen, array $usual = [], array $locked = []): self
    {
        $values = [];
        foreach (RoomSetting::cases() as $setting) {
            $values[$setting->value] = $setting->default();
            foreach ([$usual, $chosen, $locked] as $given) {
                if (array_key_exists($setting->value, $given) && $setting->takes($given[$setting->value])) {
                    $values[$setting->value] = $given[$setting->value];
                }
            }
        }

        return new self($values);
    }

    public function value(RoomSetting $setting): mixed
    {
        return $this->values[$setting->value];
    }

    /** @param array<string, mixed> $changes by the name of the setting */
    public function with(array $changes): self
    {
        return self::of([...$this->values, ...$changes]);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->values;
    }

    public function number(RoomSetting $setting): ?int
    {
        $value = $this->values[$setting->value];

        return is_int($value) ? $value : null;
    }

    /** @return list<string> */
    public function texts(RoomSetting $setting): array
    {
        return array_values(array_filter((array) $this->values[$setting->value], is_string(...)));
    }

    public function is(RoomSetting $setting): bool
    {
        return $this->values[$setting->value] === true;
    }

    public function entry(): EntryRules
    {
        $text = fn(RoomSetting $setting): string => is_string($this->values[$setting->value]) ? $this->values[$setting->value] : '';

        return new EntryRules(
            (int) $this->number(RoomSetting::Opens),
            (int) $this->number(RoomSetting::Doors),
            BeforeHost::from($text(RoomSetting::BeforeHost)),
            array_map(static fn(mixed $held): LobbyHolds => LobbyHolds::from(is_string($held) ? $held : ''), array_values((array) $this->values[RoomSetting::Lobby->value])),
            $this->is(RoomSetting::InvitedOnly),
            $this->is(RoomSetting::SignIn),
            $this->is(RoomSetting::Passcode),
            CountryRule::read($this->values[RoomSetting::Countries->value]),
            $this->number(RoomSetting::Capacity),
            $this->number(RoomSetting::Lock),
        );
    }
}

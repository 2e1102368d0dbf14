<?php

declare(strict_types=1);

namespace App\Planning;

use Syndex\Core\Joining\RoomSetting;

/** What was chosen for the room of one meeting; the rest is as it is usual in the house. */
final readonly class RoomChoices
{
    /**
     * @param  array<string, mixed>  $settings  by the name of the {@see RoomSetting}
     * @param  list<string>  $coHosts  people
     * @param  list<string>  $presenters  people who show something, and run nothing
     * @param  ?string  $account  of the bridge; null: the usual one
     * @param  ?string  $reason  why it is recorded
     */
    public function __construct(public array $settings = [], public array $coHosts = [], public array $presenters = [], public ?string $account = null, public ?string $reason = null, public RoomParts $parts = new RoomParts()) {}

    public static function of(Meeting $meeting): self
    {
        return self::read($meeting->room ?? []);
    }

    /** @param array<string, mixed> $kept as a meeting keeps it, also one from a time when there was less to choose */
    public static function read(array $kept): self
    {
        return new self(array_filter((array) ($kept['settings'] ?? []), static fn(mixed $value, string|int $name): bool => RoomSetting::tryFrom((string) $name)?->takes($value) === true, ARRAY_FILTER_USE_BOTH), array_values((array) ($kept['coHosts'] ?? [])), array_values((array) ($kept['presenters'] ?? [])), $kept['account'] ?? null, $kept['reason'] ?? null, RoomParts::read($kept));
    }

    /** @param array<string, mixed> $values */
    public function with(array $values): self
    {
        return new self(...[...get_object_vars($this), ...$values]);
    }

    /** @return ?array<string, mixed> as {@see wire}; null: nothing was chosen */
    public function column(): ?array
    {
        return $this == new self() ? null : [...$this->wire(), 'settings' => $this->settings];
    }

    /** @return array<string, mixed> */
    public function wire(): array
    {
        return ['settings' => (object) $this->settings, 'coHosts' => $this->coHosts, 'presenters' => $this->presenters, 'account' => $this->account, 'reason' => $this->reason, ...$this->parts->wire()];
    }
}

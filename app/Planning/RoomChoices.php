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
    public function __construct(public array $settings = [], public array $coHosts = [], public array $presenters = [], public ?string $account = null, public ?string $reason = null) {}

    public static function of(Meeting $meeting): self
    {
        $kept = $meeting->room ?? [];

        return new self(array_filter((array) ($kept['settings'] ?? []), static fn(mixed $value, string|int $name): bool => RoomSetting::tryFrom((string) $name)?->takes($value) === true, ARRAY_FILTER_USE_BOTH), array_values((array) ($kept['coHosts'] ?? [])), array_values((array) ($kept['presenters'] ?? [])), $kept['account'] ?? null, $kept['reason'] ?? null);
    }

    /** @return ?array{settings: array<string, mixed>, coHosts: list<string>, presenters: list<string>, account: ?string, reason: ?string} null: nothing was chosen */
    public function column(): ?array
    {
        return $this->settings === [] && $this->coHosts === [] && $this->presenters === [] && $this->account === null && $this->reason === null ? null : ['settings' => $this->settings, 'coHosts' => $this->coHosts, 'presenters' => $this->presenters, 'account' => $this->account, 'reason' => $this->reason];
    }

    /** @return array{settings: \stdClass, coHosts: list<string>, presenters: list<string>, account: ?string, reason: ?string} */
    public function wire(): array
    {
        return ['settings' => (object) $this->settings, 'coHosts' => $this->coHosts, 'presenters' => $this->presenters, 'account' => $this->account, 'reason' => $this->reason];
    }
}

<?php

declare(strict_types=1);

namespace App\Joining;

use Syndex\Core\Joining\RoomRules;

/** What a room is to be, whatever it was. */
final readonly class RoomWanted
{
    /**
     * @param  list<string>  $coHosts  addresses
     * @param  list<string>  $presenters  addresses
     * @param  ?string  $account  of the bridge; null: the usual one
     */
    public function __construct(public string $title, public RoomRules $rules, public array $coHosts = [], public array $presenters = [], public ?string $account = null) {}

    /** @return array<string, mixed> a key for each setting (docs/bridge-protocol.md) */
    public function rules(): array
    {
        return [...$this->rules->toArray(), 'coHosts' => $this->coHosts, 'presenters' => $this->presenters];
    }

    /** Short, and another as soon as anything differs. */
    public function mark(): string
    {
        return hash('xxh128', (string) json_encode([$this->title, $this->rules(), $this->account]));
    }
}

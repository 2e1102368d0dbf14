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
     * @param  list<array{name: string, people: list<string>}>  $smallRooms  with addresses
     * @param  list<array{address: string, from: string, to: string}>  $interpreters
     * @param  list<array{address: string, as: string}>  $people  who is asked: `host`, `colleague` or `guest`
     * @param  list<array{start: string, minutes: int}>  $times  of the dates ahead, UTC
     * @param  bool  $isStanding  somebody keeps it for many meetings
     * @param  ?string  $address  the last part of its link; null: the bridge makes one up
     */
    public function __construct(public string $title, public RoomRules $rules, public array $coHosts = [], public array $presenters = [], public ?string $account = null, public array $smallRooms = [], public array $interpreters = [], public array $people = [], public array $times = [], public bool $isStanding = false, public ?string $address = null) {}

    public function at(?string $address): self
    {
        return new self(...[...get_object_vars($this), 'address' => $address]);
    }

    /** @return array<string, mixed> a key for each setting (docs/bridge-protocol.md) */
    public function rules(): array
    {
        return [...$this->rules->toArray(), 'coHosts' => $this->coHosts, 'presenters' => $this->presenters, 'smallRooms' => $this->smallRooms, 'interpreters' => $this->interpreters];
    }

    /** Short, and another as soon as anything differs. */
    public function mark(): string
    {
        return hash('xxh128', (string) json_encode([$this->title, $this->rules(), $this->account, $this->address, $this->people, $this->times]));
    }
}

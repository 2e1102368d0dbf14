<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** What an account of the bridge allows. */
final readonly class BridgeAccount
{
    /**
     * @param  ?int  $minutes  the longest meeting; null: no bound
     * @param  ?int  $people  at once, hosts counted
     * @param  ?int  $coHosts  beside the host
     * @param  list<string>  $features  what it can do, by the names of {@see RoomSetting::feature}
     */
    public function __construct(public string $id, public string $name, public ?int $minutes, public ?int $people, public ?int $coHosts, public array $features) {}

    public function can(RoomSetting $setting): bool
    {
        return $setting->feature() === null || in_array($setting->feature(), $this->features, true);
    }
}

<?php

declare(strict_types=1);

namespace App\Joining;

use Syndex\Core\Joining\DialIn;
use Syndex\Core\Joining\MeetingNumber;

/** A room on the bridge, as the bridge describes it. */
final readonly class BridgeMeeting
{
    /**
     * @param  list<DialIn>  $dialIns
     * @param  ?string  $openLink  with the passcode in it; null: it has none
     */
    public function __construct(public string $id, public string $link, public MeetingNumber $number, public array $dialIns, #[\SensitiveParameter] public ?string $openLink = null) {}
}

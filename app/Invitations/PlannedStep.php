<?php

declare(strict_types=1);

namespace App\Invitations;

use Syndex\Core\Invitations\Message;

/** What a change would send, to whom, and who hears nothing. */
final readonly class PlannedStep
{
    /**
     * @param  list<TellGroup>  $groups  by what their recipients know so far
     * @param  list<string>  $untouched  addresses
     * @param  list<string>  $late  addresses for which something waits that this replaces
     */
    public function __construct(public int $sequence, public array $groups, public array $untouched, public array $late) {}

    /** @return list<Message> */
    public function messages(): array
    {
        return array_merge([], ...array_column($this->groups, 'messages'));
    }
}

<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\Invitations\Change;
use Syndex\Core\Invitations\MeetingSnapshot;
use Syndex\Core\Invitations\Message;
use Syndex\Core\Invitations\Tell;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** Who must be told what of a change, in RFC 5546's messages. */
final readonly class Itip implements Verb
{
    public function __construct(private ZoneData $zones) {}

    public function keys(): array
    {
        return ['now', 'before', 'after', 'tell_all'];
    }

    public function answer(Fields $fields): array
    {
        $work = Work::atMost(Protocol::MOST_STEPS);
        $now = SeriesKeys::instant($fields, 'now') ?? throw BadLine::missing('now');
        $before = $this->meeting($fields, 'before', $work);
        $after = $this->meeting($fields, 'after', $work);
        if ($before !== null && $after !== null && $before->uid !== $after->uid) {
            throw BadLine::badValue('uid', 'one "uid" before and after', $after->uid);
        }
        $told = Tell::of($before, $after, $now, $fields->flag('tell_all', false), $work);

        return [
            'messages' => array_map(static fn(Message $message): array => [
                'to' => $message->to,
                'method' => $message->method->value,
                'sequence' => $message->sequence,
                'recurrence_id' => $message->recurrenceId,
                'changes' => array_map(static fn(Change $change): string => $change->value, $message->changes),
                'ics' => $message->ics,
            ], $told->messages),
            'untouched' => $told->untouched,
        ];
    }

    private function meeting(Fields $fields, string $key, Work $work): ?MeetingSnapshot
    {
        $fields->mustName($key);
        $meeting = $fields->object($key);

        return $meeting === null ? null : MeetingKeys::read($meeting, $this->zones, $work);
    }
}

<?php

declare(strict_types=1);

namespace App\Invitations;

use Syndex\Core\Invitations\Announce;
use Syndex\Core\Invitations\MeetingSnapshot;
use Syndex\Core\Invitations\Message;
use Syndex\Core\Invitations\Method;
use Syndex\Core\Invitations\Tell;
use Syndex\Core\Time\Instant;
use Syndex\Core\Work;

/** The calendar texts of what was told at one step, in one language. Of one step there may be hundreds: what they share is written once. */
final class SnapshotTexts
{
    /** @var ?array<string, Message> those that differ by recipient, by method, date and recipient */
    private ?array $messages = null;

    /** The one for all, where everybody sees everybody. */
    private ?string $shared = null;

    private readonly Instant $stamp;

    /** @param ?MeetingSnapshot $before what its recipients knew; null: nothing */
    public function __construct(private readonly Snapshot $snapshot, private readonly ?MeetingSnapshot $before, private readonly MeetingSnapshot $told)
    {
        $this->stamp = Instant::ofSeconds($snapshot->stamped_at->getTimestamp());
    }

    public function to(Dispatch $dispatch): Message
    {
        $method = $dispatch->kind === DispatchKind::CallingOff ? Method::Cancel : Method::Request;
        $isOfAll = $this->before === null && $dispatch->recurrence_id === null && $this->snapshot->method !== Snapshot::LATER;

        return $isOfAll
            ? new Message($dispatch->recipient, $method, (int) $dispatch->sequence, null, [], $this->whole($dispatch->recipient))
            : $this->messages()[self::key($dispatch->recipient, $dispatch->recurrence_id, $method)] ?? throw new \LogicException("Nothing was to be told to dispatch $dispatch->id.");
    }

    private function whole(string $to): string
    {
        $write = fn(): string => $this->snapshot->method === Method::Cancel->value ? Announce::cancel($this->told, $this->snapshot->sequence, $this->stamp, $to) : Announce::request($this->told, $this->stamp, $to);

        return $this->told->hidesPeople ? $write() : $this->shared ??= $write();
    }

    /** @return array<string, Message> */
    private function messages(): array
    {
        if ($this->messages === null) {
            $this->messages = [];
            foreach (Tell::of($this->before, $this->told, $this->stamp, $this->snapshot->tell_all, Work::usual(), $this->snapshot->sequence)->messages as $message) {
                $this->messages[self::key($message->to, $message->recurrenceId, $message->method)] = $message;
            }
        }

        return $this->messages;
    }

    private static function key(string $to, ?string $recurrenceId, Method $method): string
    {
        return "$method->value $recurrenceId $to";
    }
}

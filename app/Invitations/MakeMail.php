<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Person;
use App\Planning\Attendee;
use Syndex\Core\Invitations\Announce;
use Syndex\Core\Invitations\Message;
use Syndex\Core\Invitations\Method;
use Syndex\Core\Invitations\Tell;
use Syndex\Core\Time\Instant;
use Syndex\Core\Work;

/** Makes the mail of a dispatch from the snapshot of what was told. Made once it is kept, and stays the same. */
final class MakeMail
{
    private ?int $known = null;

    private MeetingAsTold $told;

    /** What the recipients of a change knew before. */
    private ?MeetingAsTold $before = null;

    /** Writes the text of a sending or a calling-off for a recipient. @var \Closure(string): string */
    private \Closure $text;

    /** @var array<string, Message> those of a change, by recipient, date and method */
    private array $messages = [];

    public function __construct(private readonly FreezeMeeting $freeze, private readonly CoreMeeting $core, private readonly WriteLetter $letters) {}

    /** Makes it if it is not made yet, and keeps it. */
    public function of(Dispatch $dispatch): string
    {
        if ($dispatch->mail === null) {
            [$subject, $mail] = $this->made($dispatch);
            $dispatch->update(['subject' => mb_strimwidth($subject, 0, 990, '…'), 'mail' => $mail]);
        }

        return (string) $dispatch->mail;
    }

    /** For looking at before it is sent: nothing is kept. */
    public function preview(Dispatch $dispatch): string
    {
        return $dispatch->mail ?? $this->made($dispatch)[1];
    }

    /** @return array{string, string} subject and the whole mail */
    private function made(Dispatch $dispatch): array
    {
        $this->recall(Snapshot::query()->findOrFail($dispatch->snapshot_id));
        $message = $this->message($dispatch);
        $isCancel = $message->method === Method::Cancel;
        $told = $isCancel && $this->before !== null ? $this->before : $this->told;
        $person = $this->person($told, $dispatch);
        $letter = match (true) {
            $this->before !== null => $this->letters->change($this->before, $this->told, $person, $message),
            $isCancel => $this->letters->callingOff($told, $person),
            default => $this->letters->invitation($told, $person),
        };

        return [$letter->subject, PackMail::invitation($told, $person, $letter, $message, $dispatch->message_id)];
    }

    private function message(Dispatch $dispatch): Message
    {
        $method = $dispatch->kind === DispatchKind::CallingOff ? Method::Cancel : Method::Request;

        return $this->before === null
            ? new Message($dispatch->recipient, $method, (int) $dispatch->sequence, null, [], ($this->text)($dispatch->recipient))
            : $this->messages[self::key($dispatch->recipient, $dispatch->recurrence_id, $method)] ?? throw new \LogicException("Nothing was to be told to dispatch $dispatch->id.");
    }

    private function person(MeetingAsTold $told, Dispatch $dispatch): Person
    {
        return $told->meeting->attendees->firstOrFail(static fn(Attendee $a): bool => $a->person_id === $dispatch->person_id && $a->person->email === $dispatch->recipient)->person;
    }

    /** Of one step there may be hundreds of mails: what they share is worked out once. */
    private function recall(Snapshot $snapshot): void
    {
        if ($this->known === $snapshot->id) {
            return;
        }
        $words = $snapshot->step_id === null ? null : Step::query()->find($snapshot->step_id)?->words;
        $this->told = $this->freeze->read($snapshot->content)->withWords($words);
        $this->before = $snapshot->before === null ? null : $this->freeze->read($snapshot->before)->withWords($words);
        $this->messages = [];
        $meeting = $this->core->of($this->told);
        $stamp = Instant::ofSeconds($snapshot->stamped_at->getTimestamp());
        if ($this->before !== null) {
            foreach (Tell::of($this->core->of($this->before), $meeting, $stamp, $snapshot->tell_all, Work::usual(), $snapshot->sequence)->messages as $message) {
                $this->messages[self::key($message->to, $message->recurrenceId, $message->method)] = $message;
            }
        } else {
            $write = static fn(string $to): string => $snapshot->method === Method::Cancel->value ? Announce::cancel($meeting, $snapshot->sequence, $stamp, $to) : Announce::request($meeting, $stamp, $to);
            // Where everybody sees everybody it is the same for all, and written once.
            $shared = null;
            $this->text = static function (string $to) use ($write, $meeting, &$shared): string {
                return $meeting->hidesPeople ? $write($to) : $shared ??= $write($to);
            };
        }
        $this->known = $snapshot->id;
    }

    private static function key(string $to, ?string $recurrenceId, Method $method): string
    {
        return "$method->value $recurrenceId $to";
    }
}

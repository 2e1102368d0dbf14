<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Planning\Attendee;
use Syndex\Core\Invitations\Announce;
use Syndex\Core\Invitations\Message;
use Syndex\Core\Invitations\Method;
use Syndex\Core\Time\Instant;

/** Makes the mail of a dispatch from the snapshot of what was told. Made once it is kept, and stays the same. */
final class MakeMail
{
    private ?int $known = null;

    private MeetingAsTold $told;

    private string $ics = '';

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
        $snapshot = Snapshot::query()->findOrFail($dispatch->snapshot_id);
        $method = Method::from($snapshot->method);
        $this->recall($snapshot, $method);
        $person = $this->told->meeting->attendees->firstOrFail(static fn(Attendee $a): bool => $a->person_id === $dispatch->person_id && $a->person->email === $dispatch->recipient)->person;
        $letter = $method === Method::Cancel ? $this->letters->callingOff($this->told, $person) : $this->letters->invitation($this->told, $person);

        return [$letter->subject, PackMail::invitation($this->told, $person, $letter, new Message($dispatch->recipient, $method, $snapshot->sequence, null, [], $this->ics), $dispatch->message_id)];
    }

    /** Of one step there may be hundreds of mails: what they share is worked out once. */
    private function recall(Snapshot $snapshot, Method $method): void
    {
        if ($this->known === $snapshot->id) {
            return;
        }
        $this->told = $this->freeze->read($snapshot->content);
        $meeting = $this->core->of($this->told);
        $stamp = Instant::ofSeconds($snapshot->stamped_at->getTimestamp());
        $this->ics = $method === Method::Cancel ? Announce::cancel($meeting, $snapshot->sequence, $stamp) : Announce::request($meeting, $stamp);
        $this->known = $snapshot->id;
    }
}

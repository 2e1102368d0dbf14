<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Person;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Syndex\Core\Invitations\Message;
use Syndex\Core\Invitations\Method;

/**
 * Writes dispatches, always within the transaction of the change that causes them.
 *
 * To one recipient about one meeting nothing overtakes: what has not left yet is replaced by what comes after it.
 */
final class Outbox
{
    /**
     * @param  callable(string): string  $pack  makes the mail, given its Message-ID
     * @return ?Dispatch null where nothing need be sent: what would be called off has never left
     */
    public function about(string $meetingId, string $uid, Person $to, Message $message, string $subject, callable $pack): ?Dispatch
    {
        $waiting = Dispatch::query()->where('uid', $uid)->where('recipient', $to->email)->where('state', DispatchState::Waiting)->lockForUpdate()->get();
        foreach ($waiting as $older) {
            $older->update(['state' => DispatchState::Replaced]);
        }
        if ($message->method === Method::Cancel && $waiting->isNotEmpty() && $this->nothingLeft($uid, $to->email)) {
            return null;
        }

        return $this->write([
            'meeting_id' => $meetingId,
            'person_id' => $to->id,
            'kind' => $message->method === Method::Cancel ? DispatchKind::CallingOff : DispatchKind::Invitation,
            'uid' => $uid,
            'sequence' => $message->sequence,
            'recipient' => $to->email,
            'subject' => $subject,
        ], now()->toImmutable()->addSeconds((int) config('syndex.outbox.hold_seconds')), $pack);
    }

    /** @param callable(string): string $pack */
    public function toAccount(Person $to, string $subject, callable $pack): Dispatch
    {
        return $this->write(['person_id' => $to->id, 'kind' => DispatchKind::AccountLink, 'recipient' => $to->email, 'subject' => $subject], now()->toImmutable(), $pack);
    }

    /** Whether no message about this meeting can have reached this recipient. One that was tried may have. */
    private function nothingLeft(string $uid, string $recipient): bool
    {
        return !Dispatch::query()->where('uid', $uid)->where('recipient', $recipient)->where('tries', '>', 0)->exists();
    }

    /**
     * @param  array<string, mixed>  $values
     * @param  callable(string): string  $pack
     */
    private function write(array $values, CarbonImmutable $holdUntil, callable $pack): Dispatch
    {
        $messageId = strtolower((string) Str::ulid()) . '@' . config('syndex.mail_domain');

        return Dispatch::query()->create([
            ...$values,
            'message_id' => $messageId,
            'envelope_token' => Str::lower(Str::random(24)),
            'mail' => $pack($messageId),
            'state' => DispatchState::Waiting,
            'hold_until' => $holdUntil,
            'next_try_at' => $holdUntil,
        ]);
    }
}

<?php

declare(strict_types=1);

namespace App\Answers;

use App\Invitations\Dispatch;
use App\Invitations\DispatchState;
use App\Live\Live;
use Syndex\Core\Answers\DeliveryAction;
use Syndex\Core\Answers\DeliveryReport;
use Syndex\Core\Answers\MailFacts;

/** What comes back to the envelope sender of one mail: it names the mail, whatever else stands in it. */
final readonly class TakeBounce
{
    public function __construct(private Live $live) {}

    public function __invoke(Dispatch $dispatch, ArrivedMail $mail): Reply
    {
        [$kind, $said] = self::reading($mail);
        $dispatch = Dispatch::query()->lockForUpdate()->findOrFail($dispatch->id);
        // The server that took it says at once that it cannot bring it: what is sent again is another matter.
        if ($kind === ReplyKind::Bounce && in_array($dispatch->state, [DispatchState::Sent, DispatchState::Sending, DispatchState::Waiting], true)) {
            $dispatch->update(['state' => DispatchState::Refused, 'bounced_at' => now(), 'delayed_at' => null, 'claimed_by' => null, 'outcome' => mb_strimwidth($said, 0, 400, '…')]);
        } elseif ($kind === ReplyKind::Delay && $dispatch->state === DispatchState::Sent) {
            $dispatch->update(['delayed_at' => now(), 'outcome' => mb_strimwidth($said, 0, 400, '…')]);
        }
        $reply = Reply::query()->create([
            'meeting_id' => $dispatch->meeting_id, 'person_id' => $dispatch->person_id, 'dispatch_id' => $dispatch->id, 'kind' => $kind, 'via' => Via::Mail->value,
            'state' => ReplyState::Noted, 'sender' => mb_strimwidth($mail->author, 0, 254), 'comment' => $said === '' ? null : $said, 'digest' => $mail->digest, 'created_at' => now(),
        ]);
        $this->live->tell([Live::COORDINATION], 'dispatch', (string) $dispatch->id);
        if ($dispatch->meeting_id !== null) {
            $this->live->tell([Live::COORDINATION], 'answer', $dispatch->meeting_id);
        }

        return $reply;
    }

    /** @return array{ReplyKind, string} what it is, and what the server says */
    private static function reading(ArrivedMail $mail): array
    {
        if ($mail->reports !== []) {
            $failed = array_values(array_filter($mail->reports, static fn(DeliveryReport $r): bool => $r->isFinal()));
            $report = $failed[0] ?? $mail->reports[0];
            $kind = match ($report->action) {
                DeliveryAction::Failed => ReplyKind::Bounce,
                DeliveryAction::Delayed => ReplyKind::Delay,
                default => ReplyKind::Other,
            };

            return [$kind, trim(($report->status ?? '') . ' ' . $report->diagnostic)];
        }
        $first = trim(strtok($mail->words, "\n") ?: $mail->subject);

        return match (true) {
            $mail->facts->isAutomaticReply() => [ReplyKind::Machine, $first],
            !$mail->facts->isFromServer($mail->author) => [ReplyKind::Other, $first],
            MailFacts::saysDelay($mail->subject, $mail->words) => [ReplyKind::Delay, $mail->subject],
            default => [ReplyKind::Bounce, $mail->subject],
        };
    }
}

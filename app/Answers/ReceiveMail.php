<?php

declare(strict_types=1);

namespace App\Answers;

use App\Failure\Decide;
use App\Invitations\Dispatch;
use App\Live\Live;
use App\Planning\Meeting;

/** One mail that came in: to the address of a meeting, or back to the sender of one that left. */
final readonly class ReceiveMail
{
    /** Octets; a mail with a larger file answers nothing. */
    public const MOST = 10_000_000;

    public function __construct(private TakeBounce $bounce, private TakeCalendar $calendar, private Live $live) {}

    /**
     * @param  list<string>  $recipients  RCPT TO
     * @return ?list<Reply> what became of it; empty: it came before; null: nobody here has that address
     */
    public function __invoke(string $octets, string $envelopeFrom, array $recipients): ?array
    {
        [$dispatch, $meeting] = self::addressed($recipients);
        if ($dispatch === null && $meeting === null) {
            return null;
        }
        $mail = ArrivedMail::read($octets, $envelopeFrom);

        return Decide::on(function () use ($mail, $dispatch, $meeting): array {
            if (Reply::query()->where('digest', $mail->digest)->lockForUpdate()->exists()) {
                return [];
            }
            // To the envelope sender mail servers write, and now and then a machine; to the meeting, people.
            $replies = $dispatch !== null ? [($this->bounce)($dispatch, $mail)] : $this->toMeeting($meeting, $mail);
            if ($dispatch === null) {
                $this->live->tell([Live::COORDINATION], 'answer', $meeting->id);
            }

            return $replies;
        });
    }

    /**
     * @param  list<string>  $recipients
     * @return array{?Dispatch, ?Meeting}
     */
    private static function addressed(array $recipients): array
    {
        $domain = preg_quote((string) config('syndex.mail_domain'), '/');
        $dispatch = $meeting = null;
        foreach ($recipients as $recipient) {
            if (preg_match("/^b-([a-z0-9]{24})@$domain$/iD", trim($recipient), $m) === 1) {
                $dispatch ??= Dispatch::query()->where('envelope_token', strtolower($m[1]))->first();
            } elseif (preg_match("/^m-([a-z0-9]{16})@$domain$/iD", trim($recipient), $m) === 1) {
                $meeting ??= Meeting::query()->whereNull('changes_id')->where('address_token', strtolower($m[1]))->first();
            }
        }

        return [$dispatch, $meeting];
    }

    /** @return list<Reply> */
    private function toMeeting(Meeting $meeting, ArrivedMail $mail): array
    {
        if ($mail->calendar !== null) {
            return ($this->calendar)($meeting, $mail);
        }
        // Machines are noted and never answered (RFC 3834 2); a person's words are the coordinator's to read.
        $isMachine = $mail->facts->isAutomatic();

        return [Reply::query()->create([
            'meeting_id' => $meeting->id, 'person_id' => Sender::among($meeting, $mail->author)?->id, 'kind' => $isMachine ? ReplyKind::Machine : ReplyKind::Other, 'via' => Via::Mail->value,
            'state' => $isMachine ? ReplyState::Noted : ReplyState::Aside, 'why' => $isMachine ? null : 'words', 'sender' => mb_strimwidth($mail->author, 0, 254),
            'comment' => $mail->words === '' ? $mail->subject : $mail->words, 'digest' => $mail->digest, 'mail' => $isMachine ? null : $mail->octets, 'created_at' => now(),
        ])];
    }
}

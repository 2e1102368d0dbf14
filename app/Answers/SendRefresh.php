<?php

declare(strict_types=1);

namespace App\Answers;

use App\Invitations\DispatchKind;
use App\Invitations\Outbox;
use App\People\Person;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use Illuminate\Support\Facades\RateLimiter;
use Syndex\Core\Invitations\Method;

/** Answers who asks for the present state of a meeting (RFC 5546 3.2.6): at the address that is known of them, and never a machine. */
final readonly class SendRefresh
{
    private const AN_HOUR = 3;

    public function __construct(private Outbox $outbox) {}

    /** @param array<string, mixed> $came */
    public function __invoke(Meeting $meeting, Person $person, ArrivedMail $mail, array $came): Reply
    {
        $why = match (true) {
            $mail->facts->isAutomatic() => 'machine',
            $meeting->status !== MeetingStatus::Sent => 'not_sent',
            !RateLimiter::attempt("refresh $meeting->id $person->id", self::AN_HOUR, static fn(): true => true, 3600) => 'too_often',
            default => null,
        };
        if ($why === null) {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            $this->outbox->tell($meeting, Method::Request, $meeting->sequence, [['person' => $person->id, 'address' => $person->email]], atOnce: true, as: DispatchKind::Refresh);
        }

        return Reply::query()->create(['meeting_id' => $meeting->id, 'person_id' => $person->id, 'kind' => ReplyKind::Refresh, 'via' => Via::Mail->value, 'state' => $why === null ? ReplyState::Taken : ReplyState::PassedOver, 'why' => $why, 'created_at' => now(), ...$came]);
    }
}

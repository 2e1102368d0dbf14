<?php

declare(strict_types=1);

namespace App\Answers;

use App\Failure\Decide;
use App\Live\Live;
use App\People\Person;
use App\Planning\Meeting;
use Carbon\CarbonImmutable;
use Syndex\Core\Answers\Weight;
use Syndex\Core\Invitations\MailAddress;
use Syndex\Core\Time\WallTime;

/** What an attendee asks for beside an answer: another time, or somebody else in their place. It waits until the coordinator decides. */
final readonly class Propose
{
    public function __construct(private Live $live) {}

    /**
     * @param  ?WallTime  $date  as the series names it; null: the whole
     * @param  int  $start  moment that is proposed, in seconds
     * @param  array<string, mixed>  $came  more of the reply: sender, digest
     */
    public function otherTime(Meeting $meeting, Person $person, ?WallTime $date, int $start, ?int $minutes, ?string $comment, Via $via, ?int $sequence, array $came = []): Reply
    {
        return $this->keep($meeting, $person, $date, $sequence, [
            'kind' => ReplyKind::OtherTime, 'via' => $via->value, 'comment' => $comment, 'proposed_at' => CarbonImmutable::createFromTimestampUTC($start), 'proposed_minutes' => $minutes !== null && $minutes > 0 ? $minutes : null, ...$came,
        ]);
    }

    /**
     * It hands the kit to somebody new, so nobody is told before the coordinator agrees (RFC 5546 3.2.2.3).
     *
     * @param  array<string, mixed>  $came
     */
    public function handOn(Meeting $meeting, Person $person, ?WallTime $date, string $delegate, ?string $comment, Via $via, ?int $sequence, array $came = []): Reply
    {
        $address = MailAddress::check($delegate)->address;

        return $this->keep($meeting, $person, $date, $sequence, ['kind' => ReplyKind::HandedOn, 'via' => $via->value, 'comment' => $comment, 'partstat' => 'delegated', 'delegate' => $address ?? mb_strimwidth(mb_scrub($delegate), 0, 254), ...$came], $address === null ? 'no_address' : null);
    }

    /** @param array<string, mixed> $values */
    private function keep(Meeting $meeting, Person $person, ?WallTime $date, ?int $sequence, array $values, ?string $wrong = null): Reply
    {
        return Decide::on(function () use ($meeting, $person, $date, $sequence, $values, $wrong): Reply {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            TakeAnswer::check($meeting, $person, $date);
            $sent = LastSent::to($meeting, $person->id, $date) ?? $meeting->sequence;
            $weight = Weight::of($sequence ?? $sent, now()->getTimestamp(), $sent, null, null);
            $passedOver = $wrong ?? ($weight === Weight::Counts ? null : $weight->value);
            if ($passedOver === null) {
                // Who proposes again means the later one.
                Reply::query()->where('meeting_id', $meeting->id)->where('person_id', $person->id)->where('kind', $values['kind'])->where('state', ReplyState::Waiting)
                    ->where('date_local', TakeAnswer::column($date))->update(['state' => ReplyState::PassedOver, 'why' => Weight::OlderAnswer->value]);
            }
            $reply = Reply::query()->create([
                'meeting_id' => $meeting->id, 'person_id' => $person->id, 'date_local' => TakeAnswer::column($date), 'state' => $passedOver === null ? ReplyState::Waiting : ReplyState::PassedOver,
                'why' => $passedOver, 'created_at' => now(), ...$values,
            ]);
            $this->live->tell([Live::COORDINATION], 'answer', $meeting->id);

            return $reply;
        });
    }
}

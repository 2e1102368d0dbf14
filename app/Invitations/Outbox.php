<?php

declare(strict_types=1);

namespace App\Invitations;

use App\HouseRules\HouseRules;
use App\People\Account;
use App\People\Person;
use App\Planning\Meeting;
use Carbon\CarbonInterface;
use Illuminate\Support\Str;
use Syndex\Core\Invitations\Message;
use Syndex\Core\Invitations\Method;

/**
 * Writes dispatches, always within the transaction of the change that causes them: who is told, and once for all what.
 *
 * To one recipient about one meeting nothing overtakes: what has not left yet is replaced by what comes after it.
 */
final readonly class Outbox
{
    private const ROWS_AT_ONCE = 500;

    public function __construct(private FreezeMeeting $freeze, private HouseRules $rules) {}

    /**
     * @param  list<array{person: string, address: string}>  $to  who, and where
     * @param  array<string, list<string>>  $addresses  by person: what the mail names them by, where it is not their present address
     * @param  bool  $atOnce  without the hold in which it could be taken back
     * @param  ?DispatchKind  $as  what it is in the dispatch book; null: as its method says
     * @return int how many are told
     */
    public function tell(Meeting $meeting, Method $method, int $sequence, array $to, array $addresses = [], ?Step $step = null, bool $atOnce = false, ?DispatchKind $as = null): int
    {
        $waiting = Dispatch::query()->where('uid', $meeting->uid)->where('state', DispatchState::Waiting)->whereIn('recipient', array_column($to, 'address'))->lockForUpdate()->get(['id', 'recipient']);
        Dispatch::query()->whereIn('id', $waiting->pluck('id'))->update(['state' => DispatchState::Replaced]);
        if ($to === []) {
            return 0;
        }
        $snapshot = Snapshot::query()->create(['meeting_id' => $meeting->id, 'step_id' => $step?->id, 'method' => $method->value, 'sequence' => $sequence, 'stamped_at' => now(), 'content' => $this->freeze->write($meeting, $addresses)]);
        $hold = $this->until($atOnce);
        $shared = [
            'meeting_id' => $meeting->id, 'snapshot_id' => $snapshot->id, 'uid' => $meeting->uid, 'sequence' => $sequence, 'subject' => mb_strimwidth($meeting->title, 0, 990, '…'),
            'kind' => ($as ?? ($method === Method::Cancel ? DispatchKind::CallingOff : DispatchKind::Invitation))->value,
            'state' => DispatchState::Waiting->value, 'hold_until' => $hold, 'next_try_at' => $hold, 'created_at' => now(), 'updated_at' => now(),
        ];
        $rows = array_map(static fn(array $t): array => [...$shared, ...self::names(), 'person_id' => $t['person'], 'recipient' => $t['address']], $to);
        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            Dispatch::query()->insert($chunk);
        }

        return count($rows);
    }

    /**
     * Writes the dispatches of a change. What waited for the same people is replaced, and can come back if the change is taken back.
     *
     * @param  string  $after  the meeting as it is now, frozen
     * @param  ?Meeting  $later  the later part of a series that was cut
     * @param  list<string>  $leftOut  people who are not told this time
     * @param  bool  $atOnce  without the hold in which it could be taken back
     */
    public function tellChange(Step $step, Meeting $meeting, PlannedStep $planned, string $after, bool $tellAll, ?Meeting $later = null, array $leftOut = [], bool $atOnce = false): void
    {
        $replaced = [...$planned->late, ...array_map(static fn(Message $m): string => $m->to, $planned->messages())];
        $waiting = Dispatch::query()->where('uid', $meeting->uid)->where('state', DispatchState::Waiting)->whereIn('recipient', $replaced)->lockForUpdate()->pluck('id');
        Dispatch::query()->whereIn('id', $waiting)->update(['state' => DispatchState::Replaced, 'replaced_by' => $step->id]);
        $hold = $this->until($atOnce);
        foreach ($planned->groups as $group) {
            $known = $group->known;
            [$about, $content] = $group->isLater && $later !== null ? [$later, $this->freeze->write($later)] : [$meeting, $after];
            $snapshot = Snapshot::query()->create([
                'meeting_id' => $about->id, 'step_id' => $step->id, 'method' => match (true) {
                    $known === null => Method::Request->value,
                    $group->isLater => Snapshot::LATER,
                    default => Snapshot::CHANGE,
                }, 'sequence' => $group->isLater ? 0 : $planned->sequence, 'stamped_at' => now(),
                'content' => $content, 'before' => $known === null ? null : $this->freeze->write($known->meeting), 'tell_all' => $tellAll,
            ]);
            $people = self::peopleOf($known, $about);
            $rows = array_map(static fn(Message $m): array => [
                'meeting_id' => $about->id, 'snapshot_id' => $snapshot->id, 'uid' => $about->uid, 'sequence' => $group->isLater ? 0 : $planned->sequence, 'subject' => mb_strimwidth($about->title, 0, 990, '…'),
                'kind' => DispatchKind::of($m)->value, 'recurrence_id' => $m->recurrenceId, 'changes' => json_encode(array_column($m->changes, 'value'), JSON_THROW_ON_ERROR),
                'state' => (in_array($people[$m->to] ?? null, $leftOut, true) && !in_array($m->to, $planned->late, true) ? DispatchState::LeftOut : DispatchState::Waiting)->value,
                'hold_until' => $hold, 'next_try_at' => $hold, 'created_at' => now(), 'updated_at' => now(),
                ...self::names(), 'person_id' => $people[$m->to] ?? null, 'recipient' => $m->to,
            ], $group->messages);
            foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
                Dispatch::query()->insert($chunk);
            }
        }
    }

    private function until(bool $atOnce): CarbonInterface
    {
        return $atOnce ? now() : now()->addSeconds($this->rules->holdSeconds());
    }

    /** @return array<string, string> person by address, in what is known and what is now */
    private static function peopleOf(?MeetingAsTold $known, Meeting $meeting): array
    {
        $people = [];
        $meeting->loadMissing(['attendees.person', 'dates.attendees.person']);
        foreach ([...($known === null ? [] : $known->meeting->everybody()), ...$meeting->everybody()] as $attendee) {
            $people[$attendee->person->email] = $attendee->person_id;
        }

        return $people;
    }

    /**
     * A mail about an account is made at once, since the link in it is kept nowhere else.
     *
     * @param  callable(string): string  $pack  makes the mail, given its Message-ID
     */
    public function toAccount(Account $account, string $address, string $subject, callable $pack): void
    {
        $this->made(['person_id' => $account->person_id, 'kind' => DispatchKind::AccountLink, 'recipient' => $address, 'subject' => $subject, 'hold_until' => now()], $pack);
    }

    /**
     * A mail about a meeting that is still planned, with a link of the recipient's own: made at once for the same reason.
     *
     * @param  callable(string): string  $pack  makes the mail, given its Message-ID
     */
    public function offerTo(Meeting $meeting, Person $person, string $subject, callable $pack): void
    {
        $hold = $this->until(false);
        $this->made(['meeting_id' => $meeting->id, 'person_id' => $person->id, 'kind' => DispatchKind::TimeOffer, 'recipient' => $person->email, 'subject' => mb_strimwidth($subject, 0, 990, '…'), 'hold_until' => $hold], $pack);
    }

    /**
     * @param  array<string, mixed>  $values
     * @param  callable(string): string  $pack
     */
    private function made(array $values, callable $pack): void
    {
        $names = self::names();
        Dispatch::query()->create([...$names, ...$values, 'mail' => $pack($names['message_id']), 'state' => DispatchState::Waiting, 'next_try_at' => $values['hold_until']]);
    }

    /** @return array{message_id: string, envelope_token: string} */
    private static function names(): array
    {
        return ['message_id' => strtolower((string) Str::ulid()) . '@' . config('syndex.mail_domain'), 'envelope_token' => Str::lower(Str::random(24))];
    }
}

<?php

declare(strict_types=1);

namespace App\Answers;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\Live\Live;
use App\People\Account;
use App\People\Person;
use App\Planning\Answer;
use App\Planning\Attendee;
use App\Planning\DateAsPlanned;
use App\Planning\DateAttendee;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use App\Planning\Over;
use Carbon\CarbonImmutable;
use Syndex\Core\Answers\Weight;
use Syndex\Core\Time\WallTime;

/** Takes what an attendee answers, to the whole of a meeting or to one date of it, by whatever way it came. */
final readonly class TakeAnswer
{
    public const PARTSTATS = ['accepted', 'tentative', 'declined'];

    public function __construct(private Live $live) {}

    /**
     * @param  ?WallTime  $date  as the series names it; null: the whole
     * @param  'accepted'|'tentative'|'declined'  $partstat
     * @param  ?int  $sequence  of the version that is answered; null: the one that was told last
     * @param  ?CarbonImmutable  $stamp  when they wrote it; null: now
     * @param  array<string, mixed>  $came  more of the reply: sender, digest
     *
     * @throws NotNow if the meeting is over or called off, or they are not asked
     */
    public function __invoke(Meeting $meeting, Person $person, ?WallTime $date, string $partstat, ?string $comment, Via $via, ?int $sequence = null, ?CarbonImmutable $stamp = null, ?Account $by = null, array $came = []): Reply
    {
        return Decide::on(function () use ($meeting, $person, $date, $partstat, $comment, $via, $sequence, $stamp, $by, $came): Reply {
            $meeting = Meeting::query()->with(['attendees', 'dates.attendees'])->lockForUpdate()->findOrFail($meeting->id);
            self::check($meeting, $person, $date);
            $sent = LastSent::to($meeting, $person->id, $date) ?? $meeting->sequence;
            $last = Answer::query()->where('meeting_id', $meeting->id)->where('person_id', $person->id)->where('date_local', self::column($date))->lockForUpdate()->first();
            // A clock that is ahead must not make every later answer an old one.
            $stamp = $stamp === null ? CarbonImmutable::now() : $stamp->min(CarbonImmutable::now());
            $weight = Weight::of($sequence ?? $sent, $stamp->getTimestamp(), $sent, $last?->sequence, $last?->stamped_at->getTimestamp());
            $reply = Reply::query()->create([
                'meeting_id' => $meeting->id, 'person_id' => $person->id, 'account_id' => $by?->id, 'kind' => ReplyKind::Answer, 'via' => $via->value,
                'state' => $weight === Weight::Counts ? ReplyState::Taken : ReplyState::PassedOver, 'why' => $weight === Weight::Counts ? null : $weight->value,
                'date_local' => self::column($date), 'partstat' => $partstat, 'comment' => $comment, 'created_at' => now(), ...$came,
            ]);
            if ($weight === Weight::Counts) {
                $this->keep($meeting, $person, $date, ['partstat' => $partstat, 'comment' => $comment, 'via' => $via->value, 'account_id' => $by?->id, 'sequence' => $sequence ?? $sent, 'stamped_at' => $stamp, 'answered_at' => now()]);
            }
            $this->live->tell([Live::COORDINATION, ...$this->channels($person)], 'answer', $meeting->id);

            return $reply;
        });
    }

    /** @throws NotNow */
    public static function check(Meeting $meeting, Person $person, ?WallTime $date): void
    {
        if ($meeting->status !== MeetingStatus::Sent) {
            throw NotNow::locked($meeting->status->value);
        }
        if (Over::is($meeting)) {
            throw NotNow::over();
        }
        if ($date !== null && !$meeting->occurrences()->where('date_local', self::column($date))->exists()) {
            throw NotNow::noSuchDate();
        }
        $asked = $date === null ? array_map(static fn(Attendee|DateAttendee $a): string => $a->person_id, $meeting->everybody()) : array_map(static fn(Attendee|DateAttendee $a): string => $a->person_id, DateAsPlanned::of($meeting, $date)->people);
        if (!in_array($person->id, $asked, true)) {
            throw NotNow::notAsked();
        }
    }

    public static function column(?WallTime $date): ?string
    {
        return $date === null ? null : str_replace('T', ' ', $date->format());
    }

    /** @return list<string> what the pages of their account listen to */
    private function channels(Person $person): array
    {
        return array_values(Account::query()->where('person_id', $person->id)->get()->map(static fn(Account $a): string => $a->channel())->all());
    }

    /** @param array<string, mixed> $answer */
    private function keep(Meeting $meeting, Person $person, ?WallTime $date, array $answer): void
    {
        Answer::query()->updateOrCreate(['meeting_id' => $meeting->id, 'person_id' => $person->id, 'date_local' => self::column($date)], $answer);
        if ($date === null) {
            $meeting->attendees()->where('person_id', $person->id)->update(['partstat' => $answer['partstat'], 'delegate_id' => null]);
        }
        // Of dates with people of their own, the list of each says it, too.
        foreach ($meeting->dates as $own) {
            if ($own->own_people && ($date === null ? !Answer::query()->where('meeting_id', $meeting->id)->where('person_id', $person->id)->where('date_local', $own->date_local)->exists() : $own->date()->seconds === $date->seconds)) {
                $own->attendees()->where('person_id', $person->id)->update(['partstat' => $answer['partstat']]);
            }
        }
    }
}

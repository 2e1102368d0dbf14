<?php

declare(strict_types=1);

namespace App\Answers;

use App\Invitations\Dispatch;
use App\Invitations\DispatchState;
use App\People\PersonResource;
use App\People\ViewerClock;
use App\Planning\Answer;
use App\Planning\Attendee;
use App\Planning\DateAsPlanned;
use App\Planning\DateAttendee;
use App\Planning\Meeting;
use App\Planning\Occurrence;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;

/** How the answers to a meeting stand: by date and in sum, what waits for its coordinator, and what came lately. */
final readonly class AnswersOf
{
    /** Dates to come that are shown. */
    private const DATES = 60;

    private const REPLIES = 40;

    public function __construct(private ViewerClock $clock, private ZoneData $zones) {}

    /** @return array<string, mixed> */
    public function of(Meeting $meeting): array
    {
        $meeting->load(['attendees.person.account', 'dates.attendees.person.account']);
        $answers = Answer::query()->where('meeting_id', $meeting->id)->get()->toBase()->groupBy('person_id');
        $dates = $meeting->occurrences()->where('ends_at', '>', now())->orderBy('starts_at')->limit(self::DATES)->get();
        $undelivered = $this->undelivered($meeting);
        $zone = $this->zones->zone($meeting->zone);
        $people = $meeting->everybody();

        return [
            'people' => array_map(fn(Attendee|DateAttendee $a): array => [
                'person' => (new PersonResource($a->person))->toArray(Request::create('/')),
                'role' => $a->role->value,
                'isHost' => $a->person_id === $meeting->host_id,
                ...$this->said($answers->get($a->person_id) ?? collect(), $a instanceof Attendee ? $a->partstat : 'needs-action'),
                'undelivered' => $undelivered[$a->person_id] ?? null,
            ], $people),
            'dates' => $dates->map(fn(Occurrence $o): array => $this->date($meeting, $o, $answers))->all(),
            'answered' => count(array_filter($people, static fn(Attendee|DateAttendee $a): bool => $a->partstat !== 'needs-action' || $answers->has($a->person_id))),
            'replies' => Reply::query()->with('person')->where('meeting_id', $meeting->id)->orderByRaw('state in (?, ?) desc', [ReplyState::Waiting->value, ReplyState::Aside->value])->orderByDesc('id')->limit(self::REPLIES)->get()
                ->map(fn(Reply $r): array => $this->reply($r, $zone))->all(),
            'maySay' => $dates->isNotEmpty(),
        ];
    }

    /** What somebody says to one date: to that date, else to the whole. */
    public static function to(string $whole, ?Answer $own): string
    {
        return $own->partstat ?? $whole;
    }

    /**
     * @param  Collection<array-key, Collection<int, Answer>>  $answers
     * @return array<string, mixed>
     */
    private function date(Meeting $meeting, Occurrence $occurrence, Collection $answers): array
    {
        $said = $required = [];
        $coming = 0;
        foreach (DateAsPlanned::of($meeting, $occurrence->date_local)->people as $asked) {
            $own = $answers->get($asked->person_id)?->first(static fn(Answer $a): bool => $a->date_local?->getTimestamp() === $occurrence->date_local->getTimestamp());
            $said[$asked->person_id] = $is = self::to($asked->partstat, $own);
            if ($asked->role === AttendeeRole::Required || $asked->role === AttendeeRole::Chair) {
                $required[] = $asked->person_id;
                $coming += $is === 'accepted' ? 1 : 0;
            }
        }

        return ['date' => $occurrence->date_local->format('Y-m-d\TH:i:s'), 'local' => $occurrence->starts_local->format('Y-m-d\TH:i:s'), 'said' => (object) $said, 'required' => count($required), 'coming' => $coming, 'lost' => array_values(array_filter($required, static fn(string $id): bool => $said[$id] === 'declined'))];
    }

    /**
     * @param  Collection<int, Answer>  $answers  of one person
     * @return array{partstat: string, comment: ?string, via: ?string, answeredLocal: ?string, comments: list<array{date: string, comment: string}>}
     */
    private function said(Collection $answers, string $partstat): array
    {
        $whole = $answers->first(static fn(Answer $a): bool => $a->date_local === null);

        return [
            'partstat' => $partstat, 'comment' => $whole?->comment, 'via' => $whole?->via, 'answeredLocal' => $this->clock->local($whole?->answered_at),
            'comments' => array_values($answers->filter(static fn(Answer $a): bool => $a->date_local !== null && $a->comment !== null)->map(static fn(Answer $a): array => ['date' => (string) $a->date()?->format(), 'comment' => (string) $a->comment])->all()),
        ];
    }

    /** @return array<string, mixed> */
    private function reply(Reply $reply, Zone $zone): array
    {
        return [
            'id' => $reply->id, 'kind' => $reply->kind->value, 'state' => $reply->state->value, 'why' => $reply->why, 'via' => $reply->via, 'name' => $reply->person?->called() ?? $reply->sender ?? '', 'personId' => $reply->person_id, 'sender' => $reply->sender,
            'date' => $reply->date_local?->format('Y-m-d\TH:i:s'), 'partstat' => $reply->partstat, 'comment' => $reply->comment, 'delegate' => $reply->delegate,
            'proposedLocal' => $reply->proposed_at === null ? null : str_replace(' ', 'T', gmdate('Y-m-d H:i:s', $zone->toWall($reply->proposed_at->getTimestamp()))), 'atLocal' => $this->clock->local($reply->created_at),
        ];
    }

    /** @return array<string, string> by person: what the mail server said, where the last mail did not arrive */
    private function undelivered(Meeting $meeting): array
    {
        $last = Dispatch::query()->where('meeting_id', $meeting->id)->whereNotNull('person_id')->groupBy('person_id')->selectRaw('max(id) as id');

        return Dispatch::query()->whereIn('id', $last->pluck('id'))->whereIn('state', [DispatchState::Refused, DispatchState::GivenUp])->get(['person_id', 'outcome'])
            ->mapWithKeys(static fn(Dispatch $d): array => [(string) $d->person_id => (string) $d->outcome])->all();
    }
}

<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Account;
use App\People\FindWords;
use App\People\SearchKey;
use App\People\ViewerClock;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Syndex\Core\Sentence\Grammar;
use Syndex\Core\Sentence\SentencePiece;
use Syndex\Core\Time\PlaceName;

/** The list of meetings, searched and filtered, a page at a time. */
final readonly class ListMeetings
{
    private const PER_PAGE = 25;

    /** No date lasts longer: what began before that is no longer going on. */
    private const LONGEST_DAYS = 32;

    public function __construct(private Visible $visible, private MeetingSeries $series, private Grammar $grammar, private ViewerClock $clock) {}

    /** @return array{meetings: list<array<string, mixed>>, page: int, pages: int, total: int} */
    public function __invoke(Account $account, string $words, string $which, int $page): array
    {
        ShownAt::catchUp();
        $query = $this->visible->only(Meeting::query()->touched(), $account);
        $this->filter($query, $which);
        foreach (SearchKey::beginnings($words) as $beginning) {
            // A table of its own, put together once: as a condition the union would be asked for each meeting.
            $query->whereIn('id', DB::query()->select('meeting_id')->fromSub(
                DB::table('meeting_words')->select('meeting_id')->where('word', 'like', $beginning)
                    ->union(DB::table('attendees')->select('meeting_id')->whereIn('person_id', FindWords::people($beginning))),
                'found',
            ));
        }
        $direction = in_array($which, ['ahead', 'drafts'], true) ? 'asc' : 'desc';
        $found = $query->with(['host', 'change:id,changes_id', 'occurrences' => fn($q) => $q->where('ends_at', '>', now())->limit(1)])
            ->withCount('attendees')
            ->orderBy('shown_at', $direction)->orderBy('id', $direction)
            ->paginate(self::PER_PAGE, page: $page);

        return [
            'meetings' => array_map($this->row(...), array_values($found->items())),
            'page' => $found->currentPage(),
            'pages' => $found->lastPage(),
            'total' => $found->total(),
        ];
    }

    /** @param Builder<Meeting> $query */
    private function filter(Builder $query, string $which): void
    {
        match ($which) {
            'ahead' => $query->where('shown_at', '>', now()->subDays(self::LONGEST_DAYS))->where('shown_until', '>', now())->whereIn('status', [MeetingStatus::Kept, MeetingStatus::Sent]),
            'drafts' => $query->whereIn('status', [MeetingStatus::Draft, MeetingStatus::Kept]),
            'sent' => $query->where('status', MeetingStatus::Sent),
            'called_off' => $query->where('status', MeetingStatus::CalledOff),
            'over' => $query->where('status', MeetingStatus::Sent)->whereNull('shown_until')->where('last_ends_at', '<=', now()),
            default => null,
        };
    }

    /** @return array<string, mixed> */
    private function row(Meeting $meeting): array
    {
        $series = $this->series->of($meeting);
        $next = $meeting->occurrences->first();

        return [
            'id' => $meeting->id,
            'title' => $meeting->title,
            'status' => $meeting->status->value,
            'over' => $meeting->status === MeetingStatus::Sent && Over::is($meeting),
            'kitStale' => $meeting->kit_stale_at !== null,
            'changeWaits' => $meeting->change !== null,
            'sentence' => SentencePiece::join($this->grammar->pieces($series, $meeting->duration_minutes)),
            'repeated' => $series->isRepeated(),
            'allDay' => $meeting->all_day,
            'host' => $meeting->host?->called(),
            'attendees' => $meeting->getAttribute('attendees_count'),
            'nextAt' => $next?->starts_at->toIso8601ZuluString(),
            'nextLocal' => $next?->starts_local->format('Y-m-d\TH:i:s'),
            'zone' => $meeting->zone,
            'zoneCity' => PlaceName::of($meeting->zone),
            'updatedAt' => $meeting->updated_at->toIso8601ZuluString(),
            'shownLocal' => $this->clock->local($meeting->shown_at),
        ];
    }
}

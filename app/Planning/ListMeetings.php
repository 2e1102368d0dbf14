<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Account;
use Illuminate\Database\Eloquent\Builder;
use Syndex\Core\Sentence\Grammar;
use Syndex\Core\Sentence\SentencePiece;
use Syndex\Core\Time\PlaceName;

/** The list of meetings, searched and filtered, a page at a time. */
final readonly class ListMeetings
{
    private const PER_PAGE = 25;

    public function __construct(private Visible $visible, private MeetingSeries $series, private Grammar $grammar) {}

    /** @return array{meetings: list<array<string, mixed>>, page: int, pages: int, total: int} */
    public function __invoke(Account $account, string $words, string $which, int $page): array
    {
        $query = $this->visible->only(Meeting::query(), $account);
        $this->filter($query, $which);
        foreach (preg_split('/\s+/', $words, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $like = '%' . addcslashes($word, '%_\\') . '%';
            $query->where(fn(Builder $q) => $q->where('title', 'like', $like)
                ->orWhereIn('id', Attendee::query()->select('meeting_id')->whereHas('person', fn(Builder $p) => $p->where('name', 'like', $like)->orWhere('email', 'like', $like))));
        }
        $found = $query->with(['host', 'occurrences' => fn($q) => $q->where('ends_at', '>', now())->limit(1)])
            ->withCount('attendees')
            ->orderByDesc('updated_at')->orderByDesc('id')
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
            'ahead' => $query->whereIn('status', [MeetingStatus::Kept, MeetingStatus::Sent])->where(fn(Builder $q) => $q->whereNull('last_ends_at')->orWhere('last_ends_at', '>', now())),
            'drafts' => $query->whereIn('status', [MeetingStatus::Draft, MeetingStatus::Kept]),
            'sent' => $query->where('status', MeetingStatus::Sent),
            'called_off' => $query->where('status', MeetingStatus::CalledOff),
            'over' => $query->where('status', MeetingStatus::Sent)->where('last_ends_at', '<=', now()),
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
            'over' => $meeting->status === MeetingStatus::Sent && $meeting->last_ends_at !== null && $meeting->last_ends_at->isPast(),
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
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Overlap;

use App\People\Person;
use App\People\PersonKind;
use App\Planning\AttendeeRole;
use App\Planning\SaveSheet;
use App\Planning\Sheet;
use Syndex\Core\Overlap\BoardBuilder;
use Syndex\Core\Overlap\Participant;
use Syndex\Core\Overlap\Plan;
use Syndex\Core\Recurrence\EnglishSentence;
use Syndex\Core\Recurrence\MoveSeries;
use Syndex\Core\Recurrence\Repeats;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\Time\Zone;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** Computes the board for a sheet as it stands, kept or not. */
final readonly class PlanBoard
{
    /** So many dates are judged; a longer or open series says how many more there are. */
    public const MOST_DATES = 104;

    private const WORK = 2_000_000;

    public function __construct(private Occupancy $occupancy, private ZoneData $zones) {}

    /**
     * @param  int  $shiftMinutes  the bar was let go so far from where it was
     * @return array<string, mixed>
     */
    public function __invoke(Sheet $sheet, int $index, ?string $meetingId, int $shiftMinutes = 0): array
    {
        $asked = $shiftMinutes === 0 ? $sheet->series : MoveSeries::by($sheet->series, $shiftMinutes);
        $series = SaveSheet::onRule($asked);
        $dates = $series->expand(Work::atMost(self::WORK), limit: self::MOST_DATES);
        $plan = Plan::of($series, $dates, $sheet->durationMinutes, $sheet->zone);
        $board = BoardBuilder::build($plan, $this->participants($sheet, $plan, $meetingId), $index);

        return [
            'sentence' => EnglishSentence::pieces($series, $sheet->durationMinutes, $sheet->zone->id),
            'movedFrom' => $series->start->seconds === $asked->start->seconds ? null : $asked->start->format(),
            'startLocal' => $series->start->format(),
            'repeats' => $series->rule === null ? null : Repeats::fromRule($series->rule, $series->start),
            'dropped' => array_map(static fn(WallTime $w): string => $w->format(), $series->dropped),
            'zoneCity' => PlaceName::of($sheet->zone->id),
            'complete' => $dates->complete,
            'open' => $series->rule?->isOpen() ?? false,
            'board' => $board,
        ];
    }

    /** @return list<Participant> */
    public function participants(Sheet $sheet, Plan $plan, ?string $meetingId): array
    {
        $ids = array_column($sheet->attendees, 'personId');
        $people = Person::query()->whereIn('id', $ids)->get()->keyBy('id');
        $busy = $this->occupancy->of($ids, BoardBuilder::looksAt($plan), $meetingId);
        $usual = WorkingHours::usual();
        $participants = [];
        foreach ($sheet->attendees as $attendee) {
            $person = $people->get($attendee['personId']);
            if ($person !== null) {
                $participants[] = new Participant(
                    $person->id,
                    $attendee['role'] === AttendeeRole::Required,
                    $person->id === $sheet->hostId,
                    $this->zone($person),
                    $person->hours === null ? $usual : $person->workingHours(),
                    $person->kind === PersonKind::Colleague,
                    $busy[$person->id] ?? [],
                );
            }
        }

        return $participants;
    }

    private function zone(Person $person): ?Zone
    {
        return $person->zone !== null && $this->zones->knows($person->zone) ? $this->zones->zone($person->zone) : null;
    }
}

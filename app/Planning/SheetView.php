<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\PersonResource;
use App\People\ViewerClock;
use Illuminate\Http\Request;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;

/** A meeting as the sheet and its own page show it. */
final readonly class SheetView
{
    public function __construct(private MeetingSeries $series, private SeriesView $seriesView, private ViewerClock $clock, private KitView $kits, private AttendeeRights $rights) {}

    /**
     * @param  bool  $forPlanning  whether it is for somebody who plans: how its room is settled, and from what it began, concerns nobody else
     * @return array<string, mixed>
     */
    public function of(Meeting $meeting, bool $withKit = true, bool $forPlanning = true): array
    {
        $meeting->loadMissing(['agenda', 'attendees.person.account', 'dates.attendees.person.account', 'kit', 'coordinator.person', 'change', 'blueprint']);
        $request = Request::create('/');
        $series = $this->series->of($meeting);

        return [
            'id' => $meeting->id,
            'version' => $meeting->version,
            'status' => $meeting->status->value,
            'title' => $meeting->title,
            'purpose' => $meeting->purpose ?? '',
            'agenda' => $meeting->agenda->map(static fn(AgendaItem $i): array => ['id' => $i->id, 'title' => $i->title, 'minutes' => $i->minutes, 'speaker' => $i->speaker])->all(),
            'links' => $meeting->links,
            'attendees' => $meeting->attendees->map(static fn(Attendee $a): array => [
                'person' => (new PersonResource($a->person))->toArray($request),
                'role' => $a->role->value,
                'partstat' => $a->partstat,
                'teamId' => $a->team_id,
            ])->all(),
            'hostId' => $meeting->host_id,
            'zone' => $meeting->zone,
            'place' => $meeting->place ?? '',
            'zoneCity' => PlaceName::of($meeting->zone),
            'allDay' => $meeting->all_day,
            'durationMinutes' => $meeting->duration_minutes,
            ...$this->seriesView->of($series, $meeting->duration_minutes, $this->series->moved($meeting), array_values($meeting->dates->map(static fn(OwnDate $d): WallTime => $d->date())->all())),
            'own' => $meeting->dates->map(static fn(OwnDate $d): array => [
                'date' => $d->date()->format(),
                'minutes' => $d->duration_minutes,
                'title' => $d->title,
                'place' => $d->place,
                'people' => $d->own_people ? $d->attendees->map(static fn(DateAttendee $a): array => ['person' => (new PersonResource($a->person))->toArray($request), 'role' => $a->role->value])->all() : null,
            ])->all(),
            'hidesPeople' => $meeting->hides_people,
            'choices' => EntryChoices::of($meeting)->wire(),
            'room' => ($forPlanning ? RoomChoices::of($meeting) : new RoomChoices())->wire(),
            'blueprint' => !$forPlanning || $meeting->blueprint === null ? null : ['id' => $meeting->blueprint->id, 'name' => $meeting->blueprint->name, 'differs' => BlueprintContent::differs($meeting->blueprint->content, $meeting)],
            'joinMode' => $meeting->join_mode->value,
            'kit' => $withKit ? $this->kits->of($meeting) : null,
            'changeOf' => $meeting->changes_id,
            'splitFrom' => $meeting->split_local?->format('Y-m-d\TH:i:s'),
            'earlierId' => $meeting->split_from_id,
            'laterId' => Meeting::query()->where('split_from_id', $meeting->id)->whereNull('changes_id')->orderByDesc('id')->value('id'),
            'changeId' => $meeting->change?->id,
            'kitStale' => $meeting->kit_stale_at !== null,
            'runningUntil' => $meeting->status !== MeetingStatus::Sent ? null : $meeting->occurrences()->where('all_day', false)->where('starts_at', '<=', now())->where('ends_at', '>', now())->first()?->ends_at->toIso8601ZuluString(),
            ...$this->rights->ofViewer($meeting),
            'coordinator' => $meeting->coordinator->person->called(),
            'updatedAt' => $meeting->updated_at->toIso8601ZuluString(),
            'updatedLocal' => $this->clock->local($meeting->updated_at),
            'sentLocal' => $this->clock->local($meeting->sent_at),
            'changedLocal' => $this->clock->local($meeting->changed_at),
            'calledOffLocal' => $this->clock->local($meeting->called_off_at),
        ];
    }
}

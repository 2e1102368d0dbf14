<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\People\FindWords;
use App\People\Person;
use App\People\PersonAddressChanged;
use App\People\PersonKind;
use App\People\SavePerson;
use App\Planning\Attendee;
use App\Planning\DateAttendee;
use App\Planning\Meeting;
use Illuminate\Contracts\Events\Dispatcher;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Syndex\Core\ICalendar\AttendeeRole;

/**
 * Makes two entries of one person one, with all that hangs on them. The address of the one that goes is let go as a changed address
 * is: what stands there in calendars is called off, and comes to the one that stays.
 */
final readonly class MergePeople
{
    public function __construct(private SavePerson $save, private Dispatcher $events) {}

    /** @throws NotNow if the one that goes is more than an outside guest */
    public function __invoke(Person $gone, Person $stays): Person
    {
        return Decide::on(function () use ($gone, $stays): Person {
            $people = Person::query()->whereIn('id', [$gone->id, $stays->id])->orderBy('id')->lockForUpdate()->get()->keyBy('id');
            $gone = $people->get($gone->id);
            $stays = $people->get($stays->id);
            if ($gone === null || $stays === null || $gone->id === $stays->id || $gone->kind !== PersonKind::Guest || $gone->account()->exists() || $stays->forgotten_at !== null || $gone->forgotten_at !== null) {
                throw NotNow::notAGuest();
            }
            $this->bump($gone);
            $this->move(Attendee::query(), 'meeting_id', $gone, $stays);
            $this->move(DateAttendee::query(), 'meeting_date_id', $gone, $stays);
            // Where both answered, what the one who stays said holds.
            DB::table('answers')->where('person_id', $gone->id)->whereExists(static fn($q) => $q->selectRaw('1')->from('answers as theirs')->where('theirs.person_id', $stays->id)->whereColumn('theirs.meeting_id', 'answers.meeting_id')->whereColumn('theirs.date_key', 'answers.date_key'))->delete();
            DB::table('answers')->where('person_id', $gone->id)->update(['person_id' => $stays->id]);
            DB::table('replies')->where('person_id', $gone->id)->update(['person_id' => $stays->id]);
            Meeting::query()->where('host_id', $gone->id)->update(['host_id' => $stays->id]);
            Dispatch::query()->where('person_id', $gone->id)->update(['person_id' => $stays->id]);
            foreach (['team_members' => 'team_id', 'clock_moves' => 'meeting_id', 'found_clashes' => 'meeting_id', 'asked_guests' => 'time_offer_id', 'guest_links' => 'time_offer_id'] as $table => $of) {
                DB::table($table)->where('person_id', $gone->id)->whereIn($of, DB::table($table)->where('person_id', $stays->id)->pluck($of)->all())->delete();
                DB::table($table)->where('person_id', $gone->id)->update(['person_id' => $stays->id]);
            }
            DB::table('absences')->where('stand_in_id', $gone->id)->update(['stand_in_id' => $stays->id]);
            Person::query()->where('stand_in_id', $gone->id)->update(['stand_in_id' => $stays->id]);
            $known = array_filter(['name' => $gone->name, 'zone' => $gone->zone, 'language' => $gone->language, 'country' => $gone->country, 'region' => $gone->region, 'phone' => $gone->phone]);
            $old = $gone->email;
            FindWords::forgetPerson($gone->id);
            $gone->delete();
            ($this->save)($stays, array_filter($known, static fn(string $column): bool => $stays->getAttribute($column) === null, ARRAY_FILTER_USE_KEY));
            $this->events->dispatch(new PersonAddressChanged($stays->id, $old));

            return $stays->refresh();
        });
    }

    /** A sheet that is open somewhere hears that its people are others. */
    private function bump(Person $gone): void
    {
        Meeting::query()->whereIn('id', Attendee::query()->select('meeting_id')->where('person_id', $gone->id))->increment('version');
    }

    /**
     * Where both are asked the row of the one that stays counts; it is required if either was.
     *
     * @param Builder<Attendee>|Builder<DateAttendee> $rows
     */
    private function move(Builder $rows, string $of, Person $gone, Person $stays): void
    {
        $there = (clone $rows)->where('person_id', $stays->id)->get()->keyBy($of);
        foreach ((clone $rows)->where('person_id', $gone->id)->get() as $row) {
            $same = $there->get($row->getAttribute($of));
            if ($same === null) {
                $row->update(['person_id' => $stays->id]);

                continue;
            }
            $same->update(['role' => $row->role === AttendeeRole::Required ? AttendeeRole::Required : $same->role, 'partstat' => $same->partstat === 'needs-action' ? $row->partstat : $same->partstat]);
            $row->delete();
        }
    }
}

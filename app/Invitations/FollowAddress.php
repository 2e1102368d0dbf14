<?php

declare(strict_types=1);

namespace App\Invitations;

use App\HouseRules\HouseRules;
use App\HouseRules\OrganizerAddress;
use App\Live\Live;
use App\People\Person;
use App\People\PersonAddressChanged;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use App\Planning\Over;
use App\Planning\Visible;

/**
 * Somebody's address changed: their meetings go to the new one. To the old one nothing that has not left goes any more; what was
 * there is called off there (RFC 5546 3.2.2.3, 3.2.5). Where the address is that of an organizer, everybody hears of it (4.2.11).
 */
final readonly class FollowAddress
{
    public function __construct(private FreezeMeeting $freeze, private PlanChange $plan, private Outbox $outbox, private HouseRules $rules, private Live $live) {}

    public function handle(PersonAddressChanged $changed): void
    {
        $person = Person::query()->findOrFail($changed->personId);
        $meetings = Meeting::query()->where('status', MeetingStatus::Sent)->where(Over::isNot())
            ->where(static fn($q) => $q->where('host_id', $person->id)->orWhere(static fn($asked) => Visible::isAsked($asked, $person->id)))
            ->orderBy('id')->lockForUpdate()->get();
        foreach ($meetings as $meeting) {
            $this->follow($meeting, $person, $changed->old);
        }
    }

    private function follow(Meeting $meeting, Person $person, string $was): void
    {
        $stopped = Dispatch::query()->where('uid', $meeting->uid)->where('person_id', $person->id)->where('state', DispatchState::Waiting)->whereNull('attempted_at')->where('recipient', '!=', $person->email)->update(['state' => DispatchState::Replaced]);
        $known = array_values(array_unique(array_column(array_filter(Told::of($meeting), static fn(array $told): bool => $told['person'] === $person->id), 'address')));
        $old = array_values(array_diff($known, [$person->email]));
        $isOrganizer = $meeting->host_id === $person->id && $this->rules->organizer() === OrganizerAddress::Host;
        if ($old === [] && $stopped === 0 && !$isOrganizer) {
            return;
        }
        // Whoever knows nothing yet is invited; whoever knows it at an old address is told there that it is gone.
        $before = $isOrganizer ? $this->freeze->write($meeting, hostAddress: $was) : $this->freeze->write($meeting, [$person->id => $known]);
        $planned = $this->plan->of($meeting, $this->freeze->read($before), $this->freeze->asItStands($meeting), false);
        if ($planned->messages() === []) {
            return;
        }
        $meeting->update(['sequence' => $planned->sequence]);
        $after = $this->freeze->write($meeting);
        $step = Step::query()->create(['meeting_id' => $meeting->id, 'kind' => StepKind::Readdressed, 'sequence' => $planned->sequence, 'before' => $before, 'after' => $after]);
        $this->outbox->tellChange($step, $meeting, $planned, $after, false);
        $this->live->tell([Live::COORDINATION], 'meeting', $meeting->id);
    }
}

<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\NotNow;
use App\HouseRules\HouseRules;
use App\People\Person;
use App\People\PersonKind;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;

/** Each night: outside guests whom nobody met for as long as the house says are forgotten. */
final class ForgetStaleGuests implements ShouldQueue
{
    use Queueable;

    private const MOST = 500;

    public int $timeout = 600;

    public function handle(HouseRules $rules, ForgetPerson $forget): void
    {
        $months = $rules->forgetGuestsMonths();
        if ($months === null) {
            return;
        }
        $before = now()->subMonths($months);
        $stale = Person::query()->where('kind', PersonKind::Guest)->whereNull('forgotten_at')->where('created_at', '<', $before)->where('updated_at', '<', $before)
            ->whereNotIn('id', DB::table('attendees')->select('attendees.person_id')->join('meetings', 'meetings.id', '=', 'attendees.meeting_id')->where(static fn($q) => $q->whereNull('meetings.last_ends_at')->orWhere('meetings.last_ends_at', '>=', $before)))
            ->whereNotIn('id', DB::table('dispatches')->select('person_id')->whereNotNull('person_id')->where('created_at', '>=', $before))
            ->orderBy('id')->limit(self::MOST)->get();
        foreach ($stale as $person) {
            try {
                $forget($person, null);
            } catch (NotNow) {
                // Asked to a date of its own that lies ahead: another night.
            }
        }
    }
}

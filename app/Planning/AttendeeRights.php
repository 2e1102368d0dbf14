<?php

declare(strict_types=1);

namespace App\Planning;

use App\People\Account;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;

/**
 * What attendees who do not plan may do to a meeting, as whoever planned it said: change it, or invite others to it. It holds while
 * the meeting is sent; what a sheet of its change says of it holds once that is sent.
 */
final readonly class AttendeeRights
{
    private const SOMEBODY = [AttendeesMay::Hosts->value, AttendeesMay::Everyone->value];

    public function mayChange(Account $account, Meeting $meeting): bool
    {
        return $account->role->plans() || self::has($account->person_id, self::known($meeting), static fn(RoomParts $parts): AttendeesMay => $parts->changing);
    }

    /** Who may change it may invite, too. */
    public function mayInvite(Account $account, Meeting $meeting): bool
    {
        return $this->mayChange($account, $meeting)
            || self::has($account->person_id, self::known($meeting), static fn(RoomParts $parts): AttendeesMay => $parts->inviting);
    }

    /** Whether there is a meeting that they may change. */
    public function maySome(Account $account): bool
    {
        return $account->role->plans() || self::asked($account)->whereIn('room->changing', self::SOMEBODY)->get()->contains(fn(Meeting $m): bool => $this->mayChange($account, $m));
    }

    /** Whether there is a meeting to which they may invite. */
    public function mayInviteSome(Account $account): bool
    {
        return $account->role->plans() || self::asked($account)
            ->where(static fn(Builder $q) => $q->whereIn('room->changing', self::SOMEBODY)->orWhereIn('room->inviting', self::SOMEBODY))
            ->get()->contains(fn(Meeting $m): bool => $this->mayInvite($account, $m));
    }

    /** @return array{mayChange: bool, mayInvite: bool} what whoever asks just now may do */
    public function ofViewer(Meeting $meeting): array
    {
        $account = app(Request::class)->user();

        return ['mayChange' => $account instanceof Account && $this->mayChange($account, $meeting), 'mayInvite' => $account instanceof Account && $this->mayInvite($account, $meeting)];
    }

    /** A sheet without what is not theirs to change who only attend: who runs the meeting, in whose room, what attendees may do, and whom they see. */
    public function keep(Account $account, Sheet $sheet, Meeting $meeting): Sheet
    {
        if ($account->role->plans()) {
            return $sheet;
        }
        $room = RoomChoices::of($meeting);
        $is = array_column($sheet->attendees, 'personId');
        $kept = $room->parts->among($is);

        return $sheet->with([
            'hostId' => in_array($meeting->host_id, $is, true) ? $meeting->host_id : null,
            'hidesPeople' => $meeting->hides_people,
            'room' => $sheet->room->with(['coHosts' => array_values(array_intersect($room->coHosts, $is)), 'parts' => $sheet->room->parts->with(['standing' => $kept->standing, 'standIn' => $kept->standIn, 'changing' => $kept->changing, 'inviting' => $kept->inviting])]),
        ]);
    }

    /** The meeting as its people know it. */
    private static function known(Meeting $meeting): ?Meeting
    {
        return $meeting->changes_id === null ? $meeting : Meeting::query()->find($meeting->changes_id);
    }

    /** @param callable(RoomParts): AttendeesMay $right */
    private static function has(string $personId, ?Meeting $meeting, callable $right): bool
    {
        if ($meeting?->status !== MeetingStatus::Sent) {
            return false;
        }
        $room = RoomChoices::of($meeting);

        return match ($right($room->parts)) {
            AttendeesMay::Nobody => false,
            AttendeesMay::Hosts => in_array($personId, [$meeting->host_id, ...$room->coHosts, $room->parts->standIn], true) && self::isAsked($personId, $meeting),
            AttendeesMay::Everyone => self::isAsked($personId, $meeting),
        };
    }

    private static function isAsked(string $personId, Meeting $meeting): bool
    {
        return Meeting::query()->whereKey($meeting->id)->where(static fn(Builder $q) => Visible::isAsked($q, $personId))->exists();
    }

    /** @return Builder<Meeting> sent meetings to which they are asked */
    private static function asked(Account $account): Builder
    {
        return Meeting::query()->where('status', MeetingStatus::Sent)->where(static fn(Builder $q) => Visible::isAsked($q, $account->person_id));
    }
}

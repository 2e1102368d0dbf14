<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\People\Account;
use App\People\FindWords;
use App\People\Person;
use App\People\PersonKind;
use App\Planning\AgendaItem;
use App\Planning\Attendee;
use App\Planning\DateAttendee;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use App\Planning\Over;
use App\Planning\Visible;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/**
 * Forgets an outside guest: name, address, place, language, and every mail to them.
 *
 * What stays is that somebody was asked to meetings that are over, and that a mail was sent to somebody, since the records of a
 * house are not to have holes; and that it was done.
 */
final readonly class ForgetPerson
{
    /** @throws NotNow if they are asked to something that lies ahead: they have to be told first that it is off for them */
    public function __invoke(Person $person, ?Account $by): void
    {
        Decide::on(function () use ($person, $by): void {
            $person = Person::query()->lockForUpdate()->findOrFail($person->id);
            if ($person->kind !== PersonKind::Guest || $person->account()->exists()) {
                throw NotNow::notAGuest();
            }
            if ($person->forgotten_at !== null) {
                return;
            }
            $this->takeOffSheets($person);
            $ahead = Meeting::query()->whereNull('changes_id')->where('status', MeetingStatus::Sent)->where(Over::isNot())->where(static fn($q) => Visible::isAsked($q, $person->id))->count();
            if ($ahead > 0) {
                throw NotNow::askedAhead($ahead);
            }
            $old = $person->email;
            $anonymous = "forgotten-$person->id@forgotten.invalid";
            $meetings = $this->rewriteRecords($person->id, $anonymous);
            $mails = Dispatch::query()->where(static fn($q) => $q->where('person_id', $person->id)->orWhere('recipient', $old));
            $count = (clone $mails)->count();
            $mails->update(['recipient' => $anonymous, 'mail' => null, 'outcome' => null]);
            AgendaItem::query()->where('speaker', $person->name)->whereNotNull('speaker')->whereIn('meeting_id', Attendee::query()->select('meeting_id')->where('person_id', $person->id))->update(['speaker' => null]);
            // What they said counts on; their words and whom they named are gone.
            DB::table('answers')->where('person_id', $person->id)->update(['comment' => null]);
            DB::table('replies')->where(static fn($q) => $q->where('person_id', $person->id)->orWhere('sender', $old)->orWhere('delegate', $old))->update(['comment' => null, 'sender' => null, 'delegate' => null, 'mail' => null, 'digest' => null]);
            DB::table('team_members')->where('person_id', $person->id)->delete();
            DB::table('found_clashes')->where('person_id', $person->id)->delete();
            DB::table('asked_guests')->where('person_id', $person->id)->delete();
            DB::table('guest_links')->where('person_id', $person->id)->delete();
            DB::table('clock_moves')->where('person_id', $person->id)->delete();
            $person->update(['name' => null, 'email' => $anonymous, 'email_key' => $anonymous, 'email_domain' => 'forgotten.invalid', 'list_key' => '', 'zone' => null, 'country' => null, 'region' => null, 'phone' => null, 'language' => null, 'hours' => null, 'quiet_hours' => null, 'job' => null, 'forgotten_at' => now(), 'left_at' => now()]);
            FindWords::forgetPerson($person->id);
            DB::table('forgotten_people')->insert(['account_id' => $by?->id, 'meetings' => $meetings, 'mails' => $count, 'forgotten_at' => now()]);
        });
    }

    /** Sheets that nobody was told of lose them. */
    private function takeOffSheets(Person $person): void
    {
        $drafts = Meeting::query()->whereIn('status', [MeetingStatus::Draft, MeetingStatus::Kept])->where(static fn($q) => Visible::isAsked($q, $person->id)->orWhere('host_id', $person->id))->lockForUpdate()->get();
        foreach ($drafts as $draft) {
            Attendee::query()->where('meeting_id', $draft->id)->where('person_id', $person->id)->delete();
            DateAttendee::query()->where('person_id', $person->id)->whereIn('meeting_date_id', $draft->dates()->select('id'))->delete();
            $draft->update(['version' => $draft->version + 1, ...($draft->host_id === $person->id ? ['host_id' => null] : [])]);
        }
    }

    /** @return int meetings whose records spoke of them */
    private function rewriteRecords(string $personId, string $anonymous): int
    {
        $meetings = array_unique([
            ...Attendee::query()->where('person_id', $personId)->pluck('meeting_id')->all(),
            ...Dispatch::query()->where('person_id', $personId)->whereNotNull('meeting_id')->distinct()->pluck('meeting_id')->all(),
        ]);
        foreach ($meetings as $meetingId) {
            foreach (Snapshot::query()->where('meeting_id', $meetingId)->lazyById(50) as $snapshot) {
                self::rewrite($snapshot, ['content', 'before'], $personId, $anonymous);
            }
            foreach (Step::query()->where('meeting_id', $meetingId)->lazyById(50) as $step) {
                self::rewrite($step, ['before', 'after'], $personId, $anonymous);
            }
        }

        return count($meetings);
    }

    /** @param list<string> $columns */
    private static function rewrite(Model $record, array $columns, string $personId, string $anonymous): void
    {
        foreach ($columns as $column) {
            $content = $record->getAttribute($column);
            if (is_string($content) && str_contains($content, $personId)) {
                $record->setAttribute($column, json_encode(self::without((array) json_decode($content, true, flags: JSON_THROW_ON_ERROR), $personId, $anonymous), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE));
            }
        }
        $record->save();
    }

    /**
     * @param array<array-key, mixed> $frozen
     * @return array<array-key, mixed>
     */
    private static function without(array $frozen, string $personId, string $anonymous): array
    {
        if (($frozen['id'] ?? null) === $personId && array_key_exists('email', $frozen)) {
            return [...$frozen, 'name' => null, 'email' => $anonymous, 'zone' => null, 'language' => null];
        }

        return array_map(static fn(mixed $part): mixed => is_array($part) ? self::without($part, $personId, $anonymous) : $part, $frozen);
    }
}

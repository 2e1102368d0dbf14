<?php

declare(strict_types=1);

namespace App\Invitations;

use App\HouseRules\HouseRules;
use App\HouseRules\OrganizerAddress;
use App\Joining\JoiningKit;
use App\People\Account;
use App\People\Person;
use App\Planning\AgendaItem;
use App\Planning\Attendee;
use App\Planning\DateAttendee;
use App\Planning\Meeting;
use App\Planning\OwnDate;
use App\Planning\RoomOf;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Collection;
use Syndex\Core\Joining\RoomRules;

/** Writes down a meeting as it is told, and brings it back just so, whatever became of it since. */
final readonly class FreezeMeeting
{
    private const KIT = ['link', 'open_link', 'number', 'passcode', 'pin', 'dial_ins', 'bridge_id'];

    private const PERSON = ['id', 'kind', 'name', 'email', 'zone', 'language', 'country'];

    public function __construct(private HouseRules $rules, private RoomOf $rooms) {}

    public function asItStands(Meeting $meeting): MeetingAsTold
    {
        $meeting->loadMissing(['agenda', 'attendees.person', 'dates.attendees.person', 'kit', 'host', 'coordinator.person']);

        return new MeetingAsTold($meeting, $this->rules->organisation(), $this->rules->organizer(), room: $this->rooms->rules($meeting));
    }

    /**
     * @param array<string, list<string>> $addresses by person, where somebody is to be told at other addresses than their present one
     * @param ?string $hostAddress where the host's was another
     */
    public function write(Meeting $meeting, array $addresses = [], ?string $hostAddress = null): string
    {
        $told = $this->asItStands($meeting);

        return json_encode([
            'meeting' => array_diff_key($meeting->getAttributes(), ['created_at' => 0, 'updated_at' => 0]),
            'agenda' => $meeting->agenda->map(static fn(AgendaItem $i): array => self::raw($i, ['position', 'title', 'minutes', 'speaker']))->all(),
            'attendees' => self::people($meeting->attendees, $addresses),
            'dates' => $meeting->dates->map(static fn(OwnDate $d): array => [...self::raw($d, ['date_local', 'duration_minutes', 'title', 'place', 'own_people']), 'attendees' => self::people($d->attendees, $addresses)])->all(),
            'kit' => $meeting->kit === null ? null : self::values($meeting->kit, self::KIT),
            'host' => $meeting->host === null ? null : [...self::raw($meeting->host, self::PERSON), 'email' => $hostAddress ?? $meeting->host->email],
            'coordinator' => [...self::raw($meeting->coordinator, ['id', 'person_id', 'email', 'role']), 'person' => self::raw($meeting->coordinator->person, self::PERSON)],
            'organisation' => $told->organisation,
            'organizer' => $told->organizer->value,
            'room' => $told->room?->toArray(),
        ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    }

    public function read(string $content): MeetingAsTold
    {
        /** @var array{meeting: array<string, mixed>, agenda: list<array<string, mixed>>, attendees: list<array{person: array<string, mixed>}>, dates?: list<array{attendees: list<array{person: array<string, mixed>}>}>, kit: ?array<string, mixed>, host: ?array<string, mixed>, coordinator: array{person: array<string, mixed>}, organisation: string, organizer: string, room?: ?array<string, mixed>} $frozen */
        $frozen = json_decode($content, true, flags: JSON_THROW_ON_ERROR);
        $meeting = self::revived(new Meeting(), $frozen['meeting']);
        $meeting->setRelation('agenda', collect(array_map(static fn(array $i): AgendaItem => self::revived(new AgendaItem(), $i), $frozen['agenda'])));
        $asked = static fn(string $as, array $people): Collection => collect(array_map(static fn(array $a): Model => self::revived($as === DateAttendee::class ? new DateAttendee() : new Attendee(), array_diff_key($a, ['person' => 0]))->setRelation('person', self::revived(new Person(), $a['person'])), $people));
        $meeting->setRelation('attendees', $asked(Attendee::class, $frozen['attendees']));
        $meeting->setRelation('dates', collect(array_map(static fn(array $d): OwnDate => self::revived(new OwnDate(), array_diff_key($d, ['attendees' => 0]))->setRelation('attendees', $asked(DateAttendee::class, $d['attendees'])), $frozen['dates'] ?? [])));
        $meeting->setRelation('kit', $frozen['kit'] === null ? null : new JoiningKit($frozen['kit']));
        $meeting->setRelation('host', $frozen['host'] === null ? null : self::revived(new Person(), $frozen['host']));
        $coordinator = self::revived(new Account(), array_diff_key($frozen['coordinator'], ['person' => 0]));
        $meeting->setRelation('coordinator', $coordinator->setRelation('person', self::revived(new Person(), $frozen['coordinator']['person'])));

        return new MeetingAsTold($meeting, $frozen['organisation'], OrganizerAddress::from($frozen['organizer']), room: isset($frozen['room']) ? RoomRules::of($frozen['room']) : null);
    }

    /**
     * @param  Collection<int, covariant Attendee|DateAttendee>  $people
     * @param  array<string, list<string>>  $addresses
     * @return list<array<string, mixed>>
     */
    private static function people(Collection $people, array $addresses): array
    {
        $rows = [];
        foreach ($people as $asked) {
            foreach ($addresses[$asked->person_id] ?? [$asked->person->email] as $address) {
                $rows[] = [...self::raw($asked, ['person_id', 'position', 'role', 'partstat']), 'person' => [...self::raw($asked->person, self::PERSON), 'email' => $address]];
            }
        }

        return $rows;
    }

    /**
     * Columns as the table holds them.
     *
     * @param list<string> $columns
     * @return array<string, mixed>
     */
    private static function raw(Model $row, array $columns): array
    {
        return array_intersect_key($row->getAttributes(), array_fill_keys($columns, 0));
    }

    /**
     * Values in their own form, what is encrypted in the table readable.
     *
     * @param list<string> $columns
     * @return array<string, mixed>
     */
    private static function values(Model $row, array $columns): array
    {
        $values = [];
        foreach ($columns as $column) {
            $values[$column] = $row->getAttribute($column);
        }

        return $values;
    }

    /**
     * @template T of Model
     *
     * @param T $row
     * @param array<string, mixed> $columns
     * @return T
     */
    private static function revived(Model $row, array $columns): Model
    {
        $row->setRawAttributes($columns, true);
        $row->exists = true;

        return $row;
    }
}

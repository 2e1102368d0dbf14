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
use App\Planning\Meeting;
use Illuminate\Database\Eloquent\Model;

/** Writes down a meeting as it is told, and brings it back just so, whatever became of it since. */
final readonly class FreezeMeeting
{
    private const KIT = ['link', 'number', 'passcode', 'pin', 'dial_ins', 'bridge_id'];

    private const PERSON = ['id', 'kind', 'name', 'email', 'zone', 'language'];

    public function __construct(private HouseRules $rules) {}

    public function asItStands(Meeting $meeting): MeetingAsTold
    {
        $meeting->loadMissing(['agenda', 'attendees.person', 'kit', 'host', 'coordinator.person']);

        return new MeetingAsTold($meeting, $this->rules->organisation(), $this->rules->organizer());
    }

    /**
     * @param array<string, list<string>> $addresses by person, where somebody is to be told at other addresses than their present one
     */
    public function write(Meeting $meeting, array $addresses = []): string
    {
        $told = $this->asItStands($meeting);
        $attendees = [];
        foreach ($meeting->attendees as $attendee) {
            foreach ($addresses[$attendee->person_id] ?? [$attendee->person->email] as $address) {
                $attendees[] = [...self::raw($attendee, ['person_id', 'position', 'role', 'partstat']), 'person' => [...self::raw($attendee->person, self::PERSON), 'email' => $address]];
            }
        }

        return json_encode([
            'meeting' => array_diff_key($meeting->getAttributes(), ['created_at' => 0, 'updated_at' => 0]),
            'agenda' => $meeting->agenda->map(static fn(AgendaItem $i): array => self::raw($i, ['position', 'title', 'minutes', 'speaker']))->all(),
            'attendees' => $attendees,
            'kit' => $meeting->kit === null ? null : self::values($meeting->kit, self::KIT),
            'host' => $meeting->host === null ? null : self::raw($meeting->host, self::PERSON),
            'coordinator' => [...self::raw($meeting->coordinator, ['id', 'person_id', 'email', 'role']), 'person' => self::raw($meeting->coordinator->person, self::PERSON)],
            'organisation' => $told->organisation,
            'organizer' => $told->organizer->value,
        ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    }

    public function read(string $content): MeetingAsTold
    {
        /** @var array{meeting: array<string, mixed>, agenda: list<array<string, mixed>>, attendees: list<array{person: array<string, mixed>}>, kit: ?array<string, mixed>, host: ?array<string, mixed>, coordinator: array{person: array<string, mixed>}, organisation: string, organizer: string} $frozen */
        $frozen = json_decode($content, true, flags: JSON_THROW_ON_ERROR);
        $meeting = self::revived(new Meeting(), $frozen['meeting']);
        $meeting->setRelation('agenda', collect(array_map(static fn(array $i): AgendaItem => self::revived(new AgendaItem(), $i), $frozen['agenda'])));
        $meeting->setRelation('attendees', collect(array_map(static function (array $a): Attendee {
            $attendee = self::revived(new Attendee(), array_diff_key($a, ['person' => 0]));

            return $attendee->setRelation('person', self::revived(new Person(), $a['person']));
        }, $frozen['attendees'])));
        $meeting->setRelation('kit', $frozen['kit'] === null ? null : new JoiningKit($frozen['kit']));
        $meeting->setRelation('host', $frozen['host'] === null ? null : self::revived(new Person(), $frozen['host']));
        $coordinator = self::revived(new Account(), array_diff_key($frozen['coordinator'], ['person' => 0]));
        $meeting->setRelation('coordinator', $coordinator->setRelation('person', self::revived(new Person(), $frozen['coordinator']['person'])));

        return new MeetingAsTold($meeting, $frozen['organisation'], OrganizerAddress::from($frozen['organizer']));
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

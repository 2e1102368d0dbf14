<?php

declare(strict_types=1);

namespace App\Planning;

/** Who has a part of their own in a meeting, beside those who run it, what attendees may do to it, and whose room it is held in. */
final readonly class RoomParts
{
    /**
     * @param  bool  $standing  it is held in the room that its host keeps for many meetings
     * @param  list<string>  $inRoom  people who come to the place, where others join by link
     * @param  ?string  $standIn  who runs it where the host cannot
     * @param  list<array{name: string, people: list<string>}>  $smallRooms  and who goes into which
     * @param  list<array{personId: string, from: string, to: string}>  $interpreters  languages as in BCP 47
     * @param  AttendeesMay  $changing  who of those who attend may change the meeting
     * @param  AttendeesMay  $inviting  and who may invite others
     */
    public function __construct(public bool $standing = false, public array $inRoom = [], public ?string $standIn = null, public array $smallRooms = [], public array $interpreters = [], public AttendeesMay $changing = AttendeesMay::Nobody, public AttendeesMay $inviting = AttendeesMay::Nobody) {}

    /** @param array<string, mixed> $kept */
    public static function read(array $kept): self
    {
        return new self(
            (bool) ($kept['standing'] ?? false),
            array_values((array) ($kept['inRoom'] ?? [])),
            $kept['standIn'] ?? null,
            array_values((array) ($kept['smallRooms'] ?? [])),
            array_values((array) ($kept['interpreters'] ?? [])),
            AttendeesMay::tryFrom((string) ($kept['changing'] ?? '')) ?? AttendeesMay::Nobody,
            AttendeesMay::tryFrom((string) ($kept['inviting'] ?? '')) ?? AttendeesMay::Nobody,
        );
    }

    /** @param array<string, mixed> $values */
    public function with(array $values): self
    {
        return new self(...[...get_object_vars($this), ...$values]);
    }

    /**
     * Those of people who are asked.
     *
     * @param  list<string>  $asked  ids
     */
    public function among(array $asked): self
    {
        $of = static fn(array $ids): array => array_values(array_unique(array_filter($ids, static fn(mixed $id): bool => in_array($id, $asked, true))));
        // Nobody can be in two rooms at once: the first counts.
        $placed = [];
        $rooms = [];
        foreach ($this->smallRooms as $room) {
            $people = array_values(array_diff($of($room['people']), $placed));
            $placed = [...$placed, ...$people];
            $rooms[] = ['name' => $room['name'], 'people' => $people];
        }

        return $this->with(['inRoom' => $of($this->inRoom), 'standIn' => in_array($this->standIn, $asked, true) ? $this->standIn : null, 'smallRooms' => $rooms, 'interpreters' => array_values(array_filter($this->interpreters, static fn(array $i): bool => in_array($i['personId'], $asked, true)))]);
    }

    /** @return list<string> everybody who is named in it */
    public function people(): array
    {
        return [...($this->standIn === null ? [] : [$this->standIn]), ...array_merge([], ...array_column($this->smallRooms, 'people')), ...array_column($this->interpreters, 'personId')];
    }

    /** @return array{standing: bool, inRoom: list<string>, standIn: ?string, smallRooms: list<array{name: string, people: list<string>}>, interpreters: list<array{personId: string, from: string, to: string}>, changing: string, inviting: string} */
    public function wire(): array
    {
        return ['standing' => $this->standing, 'inRoom' => $this->inRoom, 'standIn' => $this->standIn, 'smallRooms' => $this->smallRooms, 'interpreters' => $this->interpreters, 'changing' => $this->changing->value, 'inviting' => $this->inviting->value];
    }
}

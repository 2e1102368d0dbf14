<?php

declare(strict_types=1);

namespace App\Import;

use App\People\Person;
use App\People\PersonKind;
use App\People\SearchKey;
use App\People\Team;
use Syndex\Core\Invitations\MailAddress;

/** The rows of a file held against the directory: who is new, of whom something changes, and what cannot be taken. */
final readonly class SortedRows
{
    private const AT_ONCE = 1000;

    /** @param list<array{row: PersonRow, state: RowState, changes: list<string>, personId: ?string}> $rows */
    private function __construct(public array $rows) {}

    /** @param list<PersonRow> $rows */
    public static function of(array $rows): self
    {
        $there = [];
        foreach (array_chunk($rows, self::AT_ONCE) as $some) {
            $keys = array_map(static fn(PersonRow $r): string => MailAddress::key($r->email()), array_filter($some, static fn(PersonRow $r): bool => $r->email() !== ''));
            foreach (Person::query()->with(['teams', 'standIn', 'calendar'])->whereIn('email_key', $keys)->get() as $person) {
                $there[$person->email_key] = $person;
            }
        }
        $seen = $sorted = [];
        foreach ($rows as $row) {
            $key = $row->email() === '' ? '' : MailAddress::key($row->email());
            $problems = $row->problems;
            if ($key !== '' && isset($seen[$key])) {
                $problems['email'] = __('peopleFile.address_twice', ['line' => $seen[$key]]);
            }
            // One that is refused stands in nobody's way.
            if ($problems === []) {
                $seen[$key] = $row->line;
            }
            $person = $there[$key] ?? null;
            $row = new PersonRow($row->line, $row->values, $row->teams, $row->standIn, $row->calendar, $problems);
            $changes = $person === null || $problems !== [] ? [] : self::changes($person, $row);
            $sorted[] = ['row' => $row, 'personId' => $person?->id, 'changes' => $changes, 'state' => match (true) {
                $problems !== [] => RowState::Refused,
                $person === null => RowState::New,
                $changes !== [] => RowState::Changed,
                default => RowState::Same,
            }];
        }

        return new self($sorted);
    }

    /** @return array{new: int, changed: int, same: int, refused: int} */
    public function counts(): array
    {
        $counts = ['new' => 0, 'changed' => 0, 'same' => 0, 'refused' => 0];
        foreach ($this->rows as ['state' => $state]) {
            $counts[$state->value]++;
        }

        return $counts;
    }

    /** @return list<string> what would be otherwise */
    private static function changes(Person $person, PersonRow $row): array
    {
        $changed = array_keys(array_filter($row->values, static fn(mixed $value, string $column): bool => $column !== 'email' && $person->getAttribute($column) != $value, ARRAY_FILTER_USE_BOTH));
        // Somebody of whom the file says nothing else is in it as a colleague.
        if (!isset($row->values['kind']) && $person->kind === PersonKind::Guest) {
            $changed[] = 'kind';
        }
        if ($person->left_at !== null) {
            $changed[] = 'left_at';
        }

        $in = $person->teams->map(static fn(Team $t): string => $t->name_key)->all();
        $asked = array_map(static fn(string $path): string => SearchKey::name(TeamPath::of($path)->last()), $row->teams ?? []);

        return [...$changed, ...array_keys(array_filter([
            'teams' => array_diff($asked, $in) !== [],
            'standIn' => $row->standIn !== null && $person->standIn?->email_key !== MailAddress::key($row->standIn),
            'calendar' => $row->calendar !== null && $person->calendar?->isAt($row->calendar) !== true,
        ]))];
    }
}

<?php

declare(strict_types=1);

namespace App\Import;

use App\Failure\Decide;
use App\Live\Live;
use App\People\FindOrRemember;
use App\People\Person;
use App\People\PersonKind;
use App\People\ReadDueFeeds;
use App\People\ReadFeed;
use App\People\SavePerson;
use App\People\SaveTeam;
use App\People\SetCalendar;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Throwable;

/**
 * Writes a file of people into the directory: all rows that can be taken, or, where it is cut short, none of them.
 *
 * What a cell leaves empty stays as it is; people are taken into teams, never out of them.
 */
final class ImportPeople implements ShouldQueue
{
    use Queueable;

    private const TOLD_EVERY = 50;

    public int $tries = 5;

    public int $timeout = 900;

    public function __construct(public readonly string $importId) {}

    public function handle(ReadPersonRow $read, SavePerson $save, SaveTeam $saveTeam, FindOrRemember $find, SetCalendar $setCalendar, Live $live): void
    {
        Decide::on(function () use ($read, $save, $saveTeam, $find, $setCalendar): void {
            // Whoever else has it under way goes on with it.
            $import = PeopleImport::query()->where('state', 'running')->lock('for update skip locked')->find($this->importId);
            if ($import === null) {
                return;
            }
            $mapping = (array) $import->mapping;
            $table = $import->table();
            $named = $import->named($table);
            $rows = array_map(static fn(array $r): PersonRow => $read->read($r[0], $r[1], $mapping, $named), $import->rows($table));
            $sorted = SortedRows::of($rows)->rows;
            $total = count($sorted);
            $written = $teams = $refused = $changed = [];
            $feeds = 0;
            $counts = ['new' => 0, 'changed' => 0, 'same' => 0, 'refused' => 0];
            foreach ($sorted as $at => ['row' => $row, 'state' => $state, 'changes' => $changes, 'personId' => $personId]) {
                if ($at % self::TOLD_EVERY === 0) {
                    ImportProgress::tell($this->importId, $at, $total);
                }
                $problem = $row->problems === [] ? null : implode(' ', $row->problems);
                if ($state === RowState::New || $state === RowState::Changed) {
                    try {
                        $written[] = [$this->write($row, $personId, $save)->id, $row];
                    } catch (ValidationException $refusal) {
                        [$state, $problem] = [RowState::Refused, $refusal->getMessage()];
                    }
                }
                $counts[$state->value]++;
                if ($state === RowState::Refused) {
                    $refused[] = ['line' => $row->line, 'who' => self::called($row), 'why' => (string) $problem];
                } elseif ($state === RowState::Changed) {
                    $changed[] = ['who' => self::called($row), 'what' => $changes];
                }
            }
            // Once all are there, since a stand-in may stand further down.
            foreach ($written as [$id, $row]) {
                foreach ($row->teams ?? [] as $path) {
                    if (TeamPath::isNamed($path)) {
                        $teams[TeamPath::of($path)->found($saveTeam)->id][] = $id;
                    }
                }
                if ($row->standIn !== null) {
                    $standIn = $find($row->standIn, null);
                    Person::query()->whereKey($id)->where('id', '!=', $standIn->id)->update(['stand_in_id' => $standIn->id]);
                }
                if ($row->calendar !== null) {
                    $setCalendar->feed(Person::query()->findOrFail($id), $row->calendar, false);
                    $feeds++;
                }
            }
            foreach ($teams as $teamId => $ids) {
                foreach (array_chunk($ids, 1000) as $some) {
                    DB::table('team_members')->insertOrIgnore(array_map(static fn(string $id): array => ['team_id' => $teamId, 'person_id' => $id], $some));
                }
            }
            if ($feeds > 0) {
                ReadDueFeeds::dispatch()->onQueue(ReadFeed::QUEUE)->afterCommit();
            }
            ImportProgress::tell($this->importId, $total, $total);
            $import->update(['state' => 'done', 'content' => null, 'report' => ['counts' => $counts, 'refused' => $refused, 'changed' => $changed]]);
        });
        $live->tell([Live::COORDINATION], 'person', $this->importId);
        $live->tell([Live::COORDINATION], 'team', $this->importId);
    }

    public function failed(?Throwable $why): void
    {
        PeopleImport::query()->whereKey($this->importId)->where('state', 'running')->update(['state' => 'failed']);
    }

    private function write(PersonRow $row, ?string $personId, SavePerson $save): Person
    {
        $person = $personId === null ? new Person() : Person::query()->lockForUpdate()->findOrFail($personId);
        $values = $row->values;
        $values['kind'] ??= PersonKind::Colleague;
        if ($personId !== null) {
            unset($values['email']);
        }

        return $save($person, [...$values, ...($person->left_at !== null ? ['left_at' => null] : [])]);
    }

    private static function called(PersonRow $row): string
    {
        return (string) ($row->values['name'] ?? '') !== '' ? (string) $row->values['name'] : $row->email();
    }
}

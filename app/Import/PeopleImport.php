<?php

declare(strict_types=1);

namespace App\Import;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * A file of people on its way into the directory.
 *
 * @property string $id
 * @property string $account_id
 * @property string $name of the file
 * @property 'csv'|'vcard' $kind
 * @property 'looked'|'running'|'done'|'failed' $state
 * @property ?string $content encrypted; null once it has been read
 * @property ?array<string, int> $mapping
 * @property bool $has_heading
 * @property ?array{counts: array<string, int>, refused: list<array{line: int, who: string, why: string}>, changed: list<array{who: string, what: list<string>}>} $report
 * @property CarbonImmutable $updated_at
 */
final class PeopleImport extends Model
{
    use HasUlids;

    protected $guarded = [];

    protected $hidden = ['content'];

    protected function casts(): array
    {
        return ['content' => 'encrypted', 'mapping' => 'array', 'has_heading' => 'boolean', 'report' => 'array', 'updated_at' => 'immutable_datetime'];
    }

    public function table(): PeopleTable
    {
        return PeopleTable::of(base64_decode((string) $this->content, true) ?: '');
    }

    /** How many columns the first row names; null: it names none. */
    public function named(PeopleTable $table): ?int
    {
        return $this->has_heading ? count($table->headings()) : null;
    }

    /** @return list<array{int, list<string>}> without the one that names the columns */
    public function rows(PeopleTable $table): array
    {
        return $this->has_heading ? array_slice($table->rows, 1) : $table->rows;
    }
}

<?php

declare(strict_types=1);

namespace App\Import;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\People\Account;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** A file of people as the body of a request, looked at before anything is written. Whoever brought it alone sees it. */
final readonly class PeopleImportController
{
    /** Octets. */
    public const MOST = 15_000_000;

    private const SHOWN = 8;

    private const NAMED = 50;

    public function __construct(private ReadPersonRow $read) {}

    public function store(Request $request): JsonResponse
    {
        $request->validate(['name' => ['nullable', 'string', 'max:200']]);
        $content = $request->getContent();
        if (strlen($content) > self::MOST || (int) $request->header('Content-Length') > self::MOST) {
            self::refuse('people_too_large');
        }
        $table = self::table($content);
        if ($table->rows === []) {
            self::refuse('no_people');
        }
        /** @var Account $account */
        $account = $request->user();
        $import = PeopleImport::query()->create([
            'account_id' => $account->id, 'name' => $request->string('name')->toString(), 'kind' => $table->kind, 'state' => 'looked',
            'content' => base64_encode($content), 'mapping' => $table->guess(), 'has_heading' => $table->hasHeading(),
        ]);

        return new JsonResponse([...$this->about($import, $table), 'look' => $this->look($import, $table)], 201);
    }

    /** What would come of it with these columns. Nothing is written. */
    public function map(Request $request, PeopleImport $import): JsonResponse
    {
        self::own($request, $import);
        $table = $import->table();
        $given = $request->validate(['hasHeading' => ['required', 'boolean'], 'mapping' => ['present', 'array:' . implode(',', array_column(PersonField::cases(), 'value'))], 'mapping.*' => ['integer', 'distinct:strict', 'between:0,' . max(0, $table->columns() - 1)]]);
        if ($import->state !== 'looked') {
            throw NotNow::importIs($import->state);
        }
        $import->update(['mapping' => $given['mapping'], 'has_heading' => $request->boolean('hasHeading') && $import->kind === 'csv']);

        return new JsonResponse([...$this->about($import, $table), 'look' => $this->look($import, $table)]);
    }

    public function start(Request $request, PeopleImport $import): JsonResponse
    {
        self::own($request, $import);
        Decide::on(static function () use ($import): void {
            $now = PeopleImport::query()->lockForUpdate()->findOrFail($import->id);
            if ($now->state !== 'looked') {
                throw NotNow::importIs($now->state);
            }
            if (!isset($now->mapping['email'])) {
                throw ValidationException::withMessages(['mapping' => __('peopleFile.no_addresses')]);
            }
            $now->update(['state' => 'running']);
            ImportPeople::dispatch($now->id);
        });

        return $this->show($request, $import->refresh());
    }

    public function show(Request $request, PeopleImport $import): JsonResponse
    {
        self::own($request, $import);
        [$done, $total] = ImportProgress::of($import->id);

        return new JsonResponse([
            'id' => $import->id,
            'name' => $import->name,
            'state' => $import->state,
            'done' => $done,
            'total' => $total,
            'counts' => $import->report['counts'] ?? null,
            'refused' => array_slice($import->report['refused'] ?? [], 0, self::NAMED),
            'changed' => array_slice($import->report['changed'] ?? [], 0, self::NAMED),
        ]);
    }

    /** Everybody who was refused, and why, to be mended and brought again. */
    public function refused(Request $request, PeopleImport $import): StreamedResponse
    {
        self::own($request, $import);

        return CsvFile::download('refused.csv', (static function () use ($import): \Generator {
            yield [__('peopleFile.column.line'), __('peopleFile.column.who'), __('peopleFile.column.why')];
            foreach ($import->report['refused'] ?? [] as $row) {
                yield [(string) $row['line'], $row['who'], $row['why']];
            }
        })());
    }

    public function destroy(Request $request, PeopleImport $import): Response
    {
        self::own($request, $import);
        Decide::on(static function () use ($import): void {
            $now = PeopleImport::query()->lockForUpdate()->find($import->id);
            if ($now?->state === 'running') {
                throw NotNow::importIs('running');
            }
            $now?->delete();
        });

        return new Response(status: 204);
    }

    /** @return array<string, mixed> */
    private function about(PeopleImport $import, PeopleTable $table): array
    {
        return [
            'id' => $import->id,
            'name' => $import->name,
            'kind' => $import->kind,
            'letters' => $table->letters,
            'delimiter' => $table->delimiter,
            'hasHeading' => $import->has_heading,
            'mapping' => (object) ($import->mapping ?? []),
            'columns' => array_map(static fn(int $at): array => [
                'heading' => $import->has_heading || $import->kind === 'vcard' ? $table->headings()[$at] ?? '' : '',
                'samples' => array_map(static fn(array $row): string => mb_strimwidth($row[1][$at] ?? '', 0, 80, '…'), array_slice($import->rows($table), 0, self::SHOWN)),
            ], $table->columns() === 0 ? [] : range(0, $table->columns() - 1)),
        ];
    }

    /** @return array<string, mixed> */
    private function look(PeopleImport $import, PeopleTable $table): array
    {
        $mapping = (array) $import->mapping;
        $named = $import->named($table);
        $sorted = SortedRows::of(array_map(fn(array $r): PersonRow => $this->read->read($r[0], $r[1], $mapping, $named), $import->rows($table)));
        $refused = array_values(array_filter($sorted->rows, static fn(array $r): bool => $r['state'] === RowState::Refused));

        return [
            'counts' => $sorted->counts(),
            'refused' => array_map(static fn(array $r): array => ['line' => $r['row']->line, 'who' => (string) ($r['row']->values['name'] ?? '') ?: $r['row']->email(), 'why' => implode(' ', $r['row']->problems)], array_slice($refused, 0, self::NAMED)),
        ];
    }

    private static function table(string $content): PeopleTable
    {
        try {
            return PeopleTable::of($content);
        } catch (TooLargeTable) {
            self::refuse('people_too_many');
        }
    }

    private static function own(Request $request, PeopleImport $import): void
    {
        /** @var Account $account */
        $account = $request->user();
        if ($import->account_id !== $account->id) {
            throw new NotFoundHttpException();
        }
    }

    private static function refuse(string $why): never
    {
        throw ValidationException::withMessages(['file' => __("peopleFile.$why", ['rows' => PeopleTable::MOST_ROWS])]);
    }
}

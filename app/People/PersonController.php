<?php

declare(strict_types=1);

namespace App\People;

use App\Failure\Decide;
use App\Live\Live;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Syndex\Core\Time\ZoneData;

final readonly class PersonController
{
    private const PER_PAGE = 50;

    private const SUGGESTIONS = 8;

    public function __construct(private SavePerson $save, private ChangePerson $change, private ZoneData $zones, private Live $live, private PersonPage $page, private FindPeople $find) {}

    /** The directory, a page at a time. */
    public function index(Request $request): JsonResponse
    {
        $request->validate(['q' => ['nullable', 'string', 'max:200'], 'kind' => ['nullable', 'in:colleague,guest'], 'page' => ['nullable', 'integer', 'min:1', 'max:100000']]);
        // The page is found in the index alone; only its rows are read.
        $found = FindWords::listed($request->string('q')->toString(), PersonKind::tryFrom($request->string('kind')->toString()))->paginate(self::PER_PAGE, page: $request->integer('page', 1));

        $people = Person::query()->with('account')->whereIn('id', array_map(static fn(\stdClass $row): string => (string) $row->id, $found->items()))->get()->sortBy([['list_key', 'asc'], ['id', 'asc']]);

        return new JsonResponse([
            'people' => array_map(static fn(Person $p): array => [
                ...(new PersonResource($p))->toArray($request),
                'account' => $p->account === null ? null : ['id' => $p->account->id, 'role' => $p->account->role->value, 'active' => $p->account->isActive()],
            ], array_values($people->all())),
            'page' => $found->currentPage(),
            'pages' => $found->lastPage(),
            'total' => $found->total(),
        ]);
    }

    /** The few who may be meant by what is being typed, the best guess first; to whoever does not plan, colleagues only. */
    public function suggest(Request $request): JsonResponse
    {
        $request->validate(['q' => ['present', 'nullable', 'string', 'max:200']]);
        /** @var Account $account */
        $account = $request->user();
        $found = ($this->find)($account, $request->string('q')->toString(), self::SUGGESTIONS);

        return new JsonResponse($found->map(static fn(Person $p): array => (new PersonResource($p))->toArray($request))->all());
    }

    /** A person's page: their entry, and what only that page says. */
    public function show(Request $request, Person $person): JsonResponse
    {
        $account = OwnOrPlans::check($request, $person);

        return new JsonResponse([...(new PersonResource($person))->toArray($request), ...$this->page->of($person, $account->person_id === $person->id)]);
    }

    public function store(PersonRequest $request): JsonResponse
    {
        $person = Decide::on(fn(): Person => ($this->save)(new Person(), $request->values($this->zones)));
        $this->live->tell([Live::COORDINATION], 'person', $person->id);

        return new JsonResponse((new PersonResource($person))->toArray($request), 201);
    }

    public function update(PersonRequest $request, Person $person): JsonResponse
    {
        $values = $request->values($this->zones);
        unset($values['kind']);
        $by = OwnOrPlans::check($request, $person);
        if (!$by->role->plans()) {
            $values = $request->ownValues($values);
        }
        $person = ($this->change)($by, $person, $values);
        $this->live->tell([Live::COORDINATION], 'person', $person->id);

        return new JsonResponse((new PersonResource($person))->toArray($request));
    }
}

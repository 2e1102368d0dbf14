<?php

declare(strict_types=1);

namespace App\People;

use App\HouseRules\HouseRule;
use App\HouseRules\HouseRules;
use Illuminate\Http\Request;
use Syndex\Core\Joining\PhoneText;

/** What a person's own page says beyond their entry. */
final readonly class PersonPage
{
    public function __construct(private HouseRules $rules, private Holidays $holidays) {}

    /** @return array<string, mixed> */
    public function of(Person $person, bool $isOwn): array
    {
        $person->loadMissing(['journeys', 'standIn', 'account', 'teams']);

        return [
            'own' => $isOwn,
            'phone' => $person->phone === null ? null : PhoneText::of($person->phone),
            'quietHours' => (object) ($person->quietHours()?->toArray() ?? []),
            'houseQuiet' => $this->rules->of(HouseRule::Quiet),
            'since' => $person->created_at->toIso8601ZuluString(),
            'countryName' => $person->country === null ? null : Countries::all()[$person->country] ?? $person->country,
            'regionName' => $person->country === null || $person->region === null ? null : $this->holidays->regions($person->country)[$person->region] ?? $person->region,
            'holidaysKnown' => $person->country !== null && $this->holidays->knows($person->country),
            'keepsHolidays' => $this->rules->keepsHolidays($person->keeps_holidays),
            'holidaysOpen' => $this->rules->isOpen(HouseRule::Holidays),
            'journeys' => $person->journeys->map(static fn(Journey $j): array => JourneyResource::of($j))->values()->all(),
            'standIn' => $person->standIn === null ? null : (new PersonResource($person->standIn))->toArray(Request::create('/')),
            'standsInFor' => Person::query()->where('stand_in_id', $person->id)->orderBy('list_key')->limit(20)->get()->map(static fn(Person $p): array => ['id' => $p->id, 'name' => $p->called()])->all(),
            'teams' => $person->teams->sortBy('name_key')->map(static fn(Team $t): array => ['id' => $t->id, 'name' => $t->name])->values()->all(),
            'hasAccount' => $person->account !== null,
        ];
    }
}

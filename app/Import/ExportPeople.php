<?php

declare(strict_types=1);

namespace App\Import;

use App\People\Person;
use App\People\Team;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Syndex\Core\Time\HoursText;
use Syndex\Core\Time\WorkingHours;
use Syndex\Core\VCard\Card;
use Syndex\Core\VCard\CardWriter;

/** The directory as a file, in the form in which it can be brought again. Addresses of calendars are secrets and stay here. */
final class ExportPeople
{
    private const AT_ONCE = 500;

    private const COLUMNS = [PersonField::Name, PersonField::Email, PersonField::Kind, PersonField::Zone, PersonField::Language, PersonField::Country, PersonField::Region, PersonField::Phone, PersonField::Job, PersonField::Hours, PersonField::Teams, PersonField::StandIn];

    public function csv(Request $request): StreamedResponse
    {
        $people = self::people($request);
        $above = Team::query()->pluck('parent_id', 'id')->all();
        $names = Team::query()->pluck('name', 'id')->all();

        return CsvFile::download('people.csv', (static function () use ($people, $above, $names): \Generator {
            yield array_map(static fn(PersonField $f): string => __("peopleFile.column.$f->value"), self::COLUMNS);
            foreach ($people->lazyById(self::AT_ONCE) as $person) {
                yield array_map(static fn(PersonField $f): string => self::cell($person, $f, $above, $names), self::COLUMNS);
            }
        })());
    }

    public function cards(Request $request): StreamedResponse
    {
        $version = $request->query('version') === '3.0' ? '3.0' : '4.0';
        $people = self::people($request);

        return new StreamedResponse(static function () use ($people, $version): void {
            foreach ($people->lazyById(self::AT_ONCE) as $person) {
                echo CardWriter::write(new Card($person->name, $person->email, $person->zone, $person->language, $person->country === null ? null : (string) \Locale::getDisplayRegion("und-$person->country", 'en'), $person->phone, $person->job, array_values($person->teams->map(static fn(Team $t): string => $t->name)->all())), $version);
            }
        }, 200, ['Content-Type' => 'text/vcard; charset=utf-8', 'Content-Disposition' => 'attachment; filename="people.vcf"', 'Cache-Control' => 'no-store']);
    }

    /** @return Builder<Person> */
    private static function people(Request $request): Builder
    {
        $request->validate(['kind' => ['nullable', 'in:colleague,guest'], 'version' => ['nullable', 'in:3.0,4.0']]);

        return Person::query()->with(['teams', 'standIn'])->whereNull('left_at')->when($request->filled('kind'), fn($q) => $q->where('kind', $request->string('kind')->toString()));
    }

    /**
     * @param array<string, ?string> $above
     * @param array<string, string> $names
     */
    private static function cell(Person $person, PersonField $field, array $above, array $names): string
    {
        return match ($field) {
            PersonField::Name => $person->name ?? '',
            PersonField::Email => $person->email,
            PersonField::Kind => $person->kind->value,
            PersonField::Zone => $person->zone ?? '',
            PersonField::Language => $person->language ?? '',
            PersonField::Country => $person->country ?? '',
            PersonField::Region => $person->region ?? '',
            PersonField::Phone => $person->phone ?? '',
            PersonField::Job => $person->job ?? '',
            PersonField::Hours => $person->hours === null ? '' : HoursText::write(WorkingHours::of($person->hours)),
            PersonField::Teams => implode('; ', $person->teams->map(static fn(Team $t): string => self::path($t->id, $above, $names))->all()),
            default => $person->standIn->email ?? '',
        };
    }

    /**
     * @param array<string, ?string> $above
     * @param array<string, string> $names
     */
    private static function path(string $id, array $above, array $names): string
    {
        $path = [];
        for ($at = $id; $at !== null && count($path) < 8; $at = $above[$at] ?? null) {
            array_unshift($path, $names[$at] ?? '');
        }

        return implode(' > ', $path);
    }
}

<?php

declare(strict_types=1);

namespace App\Import;

use App\Access\KnownZone;
use App\People\Calendar;
use App\People\Countries;
use App\People\FeedAddress;
use App\People\FeedFailed;
use App\People\Holidays;
use App\People\PersonKind;
use Syndex\Core\Invitations\MailAddress;
use Syndex\Core\Joining\PhoneNumber;
use Syndex\Core\Time\HoursText;
use Syndex\Core\Time\InvalidHours;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Time\ZoneNames;

/** Reads a row of a file of people: what each cell means in the directory. An empty cell says nothing. */
final readonly class ReadPersonRow
{
    private const GUEST = ['guest', 'outside', 'outside guest', 'external'];

    public function __construct(private ZoneData $zones, private ZoneNames $names, private Holidays $holidays) {}

    /**
     * @param list<string> $cells
     * @param array<string, int> $mapping place of the column by field
     * @param ?int $named how many columns the first row names; null: it names none
     */
    public function read(int $line, array $cells, array $mapping, ?int $named = null): PersonRow
    {
        $said = [];
        foreach ($mapping as $field => $at) {
            $text = trim((string) preg_replace('/[\x00-\x1F\x7F]+/', ' ', mb_substr($cells[$at] ?? '', 0, 2000)));
            if ($text !== '') {
                $said[$field] = $text;
            }
        }
        $values = $problems = [];
        // A separator within a cell that is not quoted: what follows it stands in the wrong column, or in none.
        if ($named !== null && trim(implode('', array_slice($cells, $named))) !== '') {
            $problems['line'] = __('peopleFile.too_many_cells', ['cells' => count($cells), 'columns' => $named]);
        }
        $take = static function (PersonField $field, string $column, \Closure $read, string $problem) use ($said, &$values, &$problems): void {
            if (isset($said[$field->value])) {
                $value = $read($said[$field->value]);
                $value === null ? $problems[$field->value] = __($problem, ['what' => mb_strimwidth($said[$field->value], 0, 60, '…')]) : $values[$column] = $value;
            }
        };
        $name = $said['name'] ?? trim(($said['givenName'] ?? '') . ' ' . ($said['familyName'] ?? ''));
        if ($name !== '') {
            mb_strlen($name) > 200 ? $problems['name'] = __('peopleFile.name_long') : $values['name'] = $name;
        }
        $check = MailAddress::check($said['email'] ?? '');
        if ($check->address === null) {
            $problems['email'] = __('people.address_' . ($check->problem ?? 'empty'));
        } else {
            $values['email'] = $check->address;
        }
        $take(PersonField::Kind, 'kind', static fn(string $t): PersonKind => in_array(mb_strtolower($t), self::GUEST, true) ? PersonKind::Guest : PersonKind::Colleague, '');
        $take(PersonField::Zone, 'zone', $this->zone(...), 'peopleFile.zone_unknown');
        $take(PersonField::Language, 'language', self::language(...), 'peopleFile.language_unknown');
        $take(PersonField::Country, 'country', self::country(...), 'peopleFile.country_unknown');
        $take(PersonField::Region, 'region', fn(string $t): ?string => $this->region((string) ($values['country'] ?? ''), $t), 'peopleFile.region_unknown');
        $take(PersonField::Phone, 'phone', static fn(string $t): ?string => PhoneNumber::of($t, $values['country'] ?? null), 'peopleFile.phone_unknown');
        $take(PersonField::Job, 'job', static fn(string $t): ?string => mb_strlen($t) > 200 ? null : $t, 'peopleFile.job_long');
        $take(PersonField::Hours, 'hours', self::hours(...), 'peopleFile.hours_unknown');
        $standIn = isset($said['standIn']) ? MailAddress::check($said['standIn'])->address : null;
        if (isset($said['standIn']) && $standIn === null) {
            $problems['standIn'] = __('peopleFile.stand_in_unknown', ['what' => mb_strimwidth($said['standIn'], 0, 60, '…')]);
        }

        if (isset($said['calendar'])) {
            try {
                FeedAddress::parts(Calendar::address($said['calendar']));
            } catch (FeedFailed) {
                $problems['calendar'] = __('peopleFile.calendar_unknown');
            }
        }

        return new PersonRow($line, $values, self::teams($said, $mapping), $standIn, $said['calendar'] ?? null, $problems);
    }

    private function zone(string $text): ?string
    {
        $id = str_replace(' ', '_', $text);

        return match (true) {
            KnownZone::is($text, $this->zones) => $text,
            KnownZone::is($id, $this->zones) => $id,
            default => $this->names->find($text) ?? $this->names->ofPlace($text, true),
        };
    }

    /** A tag (BCP 47), or what a language is called in English or by itself. */
    private static function language(string $text): ?string
    {
        if (preg_match('/\A[A-Za-z]{2,3}(?:[_-][A-Za-z0-9]{2,8})*\z/', $text) === 1 && \Locale::getDisplayLanguage($text, 'en') !== strtolower($text)) {
            return str_replace('_', '-', $text);
        }
        foreach (['en', 'de', 'fr', 'es', 'pt', 'ja', 'ar', 'it', 'nl', 'sv', 'nb', 'da', 'fi', 'pl', 'cs', 'zh', 'ko', 'hi', 'ru', 'tr'] as $tag) {
            if (in_array(mb_strtolower($text), [mb_strtolower((string) \Locale::getDisplayLanguage($tag, 'en')), mb_strtolower((string) \Locale::getDisplayLanguage($tag, $tag))], true)) {
                return $tag;
            }
        }

        return null;
    }

    private static function country(string $text): ?string
    {
        if (Countries::knows(strtoupper($text))) {
            return strtoupper($text);
        }
        $found = array_search(mb_strtolower($text), array_map(mb_strtolower(...), Countries::all()), true);

        return $found === false ? null : $found;
    }

    private function region(string $country, string $text): ?string
    {
        if ($country === '') {
            return null;
        }
        if ($this->holidays->knows($country, $text)) {
            return $text;
        }
        $found = array_search(mb_strtolower($text), array_map(mb_strtolower(...), $this->holidays->regions($country)), true);

        return $found === false ? null : $found;
    }

    /** @return ?array<string, list<array{string, string}>> */
    private static function hours(string $text): ?array
    {
        try {
            return HoursText::read($text)->toArray();
        } catch (InvalidHours) {
            return null;
        }
    }

    /**
     * @param  array<string, string>  $said
     * @param  array<string, int>  $mapping
     * @return ?list<string>
     */
    private static function teams(array $said, array $mapping): ?array
    {
        if (!isset($mapping['teams'])) {
            return null;
        }
        $teams = preg_split('/\s*[;,|]\s*/', $said['teams'] ?? '', -1, PREG_SPLIT_NO_EMPTY) ?: [];

        return array_values(array_unique(array_map(static fn(string $t): string => mb_substr($t, 0, 500), $teams)));
    }
}

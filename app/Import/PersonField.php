<?php

declare(strict_types=1);

namespace App\Import;

/** What a column of a file of people can hold. */
enum PersonField: string
{
    case Name = 'name';
    case GivenName = 'givenName';
    case FamilyName = 'familyName';
    case Email = 'email';
    case Kind = 'kind';
    case Zone = 'zone';
    case Language = 'language';
    case Country = 'country';
    case Region = 'region';
    case Phone = 'phone';
    case Job = 'job';
    case Hours = 'hours';
    case Teams = 'teams';
    case StandIn = 'standIn';
    case Calendar = 'calendar';

    /** @return list<string> headings by which it is known, in plain letters: those that programs and people write */
    private function headings(): array
    {
        return match ($this) {
            self::Name => ['name', 'full name', 'display name', 'person', 'nom complet', 'nombre completo', 'voller name'],
            self::GivenName => ['given name', 'first name', 'forename', 'vorname', 'prenom', 'nombre', 'nome'],
            self::FamilyName => ['family name', 'last name', 'surname', 'nachname', 'familienname', 'nom', 'apellido', 'apellidos', 'sobrenome'],
            self::Email => ['email', 'e mail', 'mail', 'email address', 'e mail address', 'mail address', 'address', 'e mail adresse', 'adresse e mail', 'correo', 'correo electronico', 'work email'],
            self::Kind => ['kind', 'who they are', 'type'],
            self::Zone => ['zone', 'time zone', 'timezone', 'tz', 'city', 'place', 'location', 'zeitzone', 'ort', 'fuseau horaire', 'zona horaria', 'ville', 'ciudad'],
            self::Language => ['language', 'lang', 'locale', 'sprache', 'langue', 'idioma'],
            self::Country => ['country', 'country code', 'land', 'pays', 'pais'],
            self::Region => ['region', 'state', 'province', 'bundesland'],
            self::Phone => ['phone', 'telephone', 'phone number', 'mobile', 'telefon', 'tel', 'telefono', 'work phone'],
            self::Job => ['job', 'role', 'title', 'job title', 'position', 'function', 'funktion', 'fonction', 'cargo', 'department'],
            self::Hours => ['hours', 'working hours', 'work hours', 'arbeitszeit', 'arbeitszeiten', 'horaires', 'horario'],
            self::Teams => ['teams', 'team', 'groups', 'group', 'gruppe', 'gruppen', 'equipe', 'equipo'],
            self::StandIn => ['stand in', 'stand in address', 'deputy', 'vertretung', 'backup', 'suppleant'],
            self::Calendar => ['calendar', 'calendar feed', 'feed', 'ical', 'ics', 'calendar url', 'calendar address', 'kalender', 'busy feed'],
        };
    }

    /**
     * Which column holds what, as far as the headings say so: each column once.
     *
     * @param  list<string>  $headings
     * @return array<string, int> place of the column by field
     */
    public static function guess(array $headings): array
    {
        $plain = array_map(static fn(string $h): string => trim((string) preg_replace('/[^a-z0-9]+/', ' ', strtolower((string) \Transliterator::create('Any-Latin; Latin-ASCII')?->transliterate($h)))), $headings);
        $mapping = [];
        foreach (self::cases() as $field) {
            foreach ($field->headings() as $heading) {
                $at = array_search($heading, $plain, true);
                if ($at !== false && !in_array($at, $mapping, true)) {
                    $mapping[$field->value] = (int) $at;
                    break;
                }
            }
        }

        return $mapping;
    }
}

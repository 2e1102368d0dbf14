<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\Joining\Arrival;
use Syndex\Core\Joining\ArrivesAs;
use Syndex\Core\Joining\BeforeHost;
use Syndex\Core\Joining\CountryRule;
use Syndex\Core\Joining\EntryAnswer;
use Syndex\Core\Joining\EntryDesk;
use Syndex\Core\Joining\EntryRules;
use Syndex\Core\Joining\LobbyHolds;
use Syndex\Core\Joining\PasscodeGiven;
use Syndex\Core\Joining\WayIn;
use Syndex\Core\Work;

/** Who gets in: admitted, lobby, waits, closed or refused, each with its reason. */
final readonly class Entry implements Verb
{
    private const A_DAY = 1440;

    /** Steps of work for an arrival. */
    private const AN_ARRIVAL = 12;

    public function keys(): array
    {
        return ['start', 'duration', 'rules', 'arrivals'];
    }

    public function answer(Fields $fields): array
    {
        $work = Work::atMost(Protocol::MOST_STEPS);
        $start = SeriesKeys::instant($fields, 'start')->seconds ?? throw BadLine::missing('start');
        $fields->neededNumber('duration', 1);
        $desk = new EntryDesk(self::rules($fields), $start);
        $fields->mustName('arrivals');
        $decisions = [];
        $before = PHP_INT_MIN;
        foreach ($fields->objects('arrivals') as $object) {
            $work->spend(self::AN_ARRIVAL);
            $arrival = self::arrival(Fields::of($object, ['id', 'at', 'who', 'way', 'signed_in', 'country', 'passcode']));
            if ($arrival->at < $before) {
                throw BadLine::badValue('at', 'arrivals in order of time', $object->at);
            }
            $before = $arrival->at;
            $decision = $desk->decide($arrival);
            $decisions[] = [...self::told($decision->answer), ...($decision->then === null ? [] : ['then' => array_map(self::told(...), $decision->then)])];
        }

        return ['decisions' => $decisions];
    }

    /** @return array{id: string, outcome: string, reason: string} */
    private static function told(EntryAnswer $answer): array
    {
        return ['id' => $answer->id, 'outcome' => $answer->outcome->value, 'reason' => $answer->reason->value];
    }

    private static function rules(Fields $line): EntryRules
    {
        $rules = Fields::of($line->object('rules') ?? throw BadLine::missing('rules'), ['opens', 'doors', 'before_host', 'lobby', 'invited_only', 'sign_in', 'passcode', 'countries', 'capacity', 'lock']);
        foreach (['lobby', 'countries', 'capacity', 'lock'] as $key) {
            $rules->mustName($key);
        }

        return new EntryRules(
            self::minutes($rules, 'opens'),
            self::minutes($rules, 'doors'),
            BeforeHost::from(self::choice($rules, 'before_host', array_column(BeforeHost::cases(), 'value'))),
            self::lobby($rules),
            self::flag($rules, 'invited_only'),
            self::flag($rules, 'sign_in'),
            self::flag($rules, 'passcode'),
            self::countries($rules),
            $rules->has('capacity') ? $rules->neededNumber('capacity', 1) : null,
            $rules->has('lock') ? self::minutes($rules, 'lock') : null,
        );
    }

    private static function arrival(Fields $arrival): Arrival
    {
        $arrival->mustName('country');
        $country = $arrival->textOrNull('country');
        if ($country !== null) {
            self::isCountry('country', $country);
        }

        return new Arrival(
            $arrival->text('id'),
            SeriesKeys::instant($arrival, 'at')->seconds ?? throw BadLine::missing('at'),
            ArrivesAs::from(self::choice($arrival, 'who', array_column(ArrivesAs::cases(), 'value'))),
            WayIn::from(self::choice($arrival, 'way', array_column(WayIn::cases(), 'value'))),
            self::flag($arrival, 'signed_in'),
            $country,
            PasscodeGiven::from(self::choice($arrival, 'passcode', array_column(PasscodeGiven::cases(), 'value'))),
        );
    }

    /** @return list<LobbyHolds> */
    private static function lobby(Fields $rules): array
    {
        if (!is_array($rules->raw('lobby'))) {
            throw BadLine::badValue('lobby', 'a list of texts', $rules->raw('lobby'));
        }

        return array_map(static fn(string $held): LobbyHolds => LobbyHolds::tryFrom($held) ?? throw BadLine::badValue('lobby', 'everyone, guests or not_signed_in', $held), $rules->texts('lobby'));
    }

    private static function countries(Fields $rules): ?CountryRule
    {
        $given = $rules->object('countries');
        if ($given === null) {
            return null;
        }
        $countries = Fields::of($given, ['allow', 'refuse']);
        $allows = $countries->has('allow');
        if ($allows === $countries->has('refuse')) {
            throw BadLine::badValue('countries', 'null, or either "allow" or "refuse"', $given);
        }
        $codes = $countries->texts($allows ? 'allow' : 'refuse');
        foreach ($codes as $code) {
            self::isCountry('countries', $code);
        }

        return $allows ? CountryRule::allow($codes) : CountryRule::refuse($codes);
    }

    private static function isCountry(string $key, string $code): void
    {
        if (preg_match('/\A[A-Z]{2}\z/', $code) !== 1) {
            throw BadLine::badValue($key, 'ISO 3166 codes in capitals, like "KE"', $code);
        }
    }

    private static function minutes(Fields $fields, string $key): int
    {
        return $fields->has($key) ? $fields->wholeNumber($key, 0, 0, self::A_DAY) : throw BadLine::missing($key);
    }

    private static function flag(Fields $fields, string $key): bool
    {
        return $fields->has($key) ? $fields->flag($key, false) : throw BadLine::missing($key);
    }

    /**
     * @template T of string
     *
     * @param  non-empty-list<T>  $choices
     * @return T
     */
    private static function choice(Fields $fields, string $key, array $choices): string
    {
        return $fields->has($key) ? $fields->oneOf($key, $choices, $choices[0]) : throw BadLine::missing($key);
    }
}

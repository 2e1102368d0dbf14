<?php

declare(strict_types=1);

use Syndex\Core\Joining\ArrivesAs;
use Syndex\Core\Joining\BridgeAccount;
use Syndex\Core\Joining\ChosenCountry;
use Syndex\Core\Joining\CountryRule;
use Syndex\Core\Joining\DialIn;
use Syndex\Core\Joining\DialInChoice;
use Syndex\Core\Joining\EntryForecast;
use Syndex\Core\Joining\EntryStretch;
use Syndex\Core\Joining\Expected;
use Syndex\Core\Joining\PhoneText;
use Syndex\Core\Joining\RecordingSize;
use Syndex\Core\Joining\RoomConflict;
use Syndex\Core\Joining\RoomConflicts;
use Syndex\Core\Joining\RoomRules;
use Syndex\Core\Joining\RoomSetting;
use Syndex\Core\Joining\WayIn;
use Syndex\Core\Time\ZoneCountries;

$somebody = static fn(string $id, ArrivesAs $who = ArrivesAs::Colleague, bool $signedIn = true, ?string $country = null): Expected => new Expected($id, $who, WayIn::Link, $signedIn, $country);

describe('RoomSetting', function (): void {
    it('takes its own default, and holds the stricter of two locks whichever comes first', function (RoomSetting $setting, mixed $strict, mixed $lax): void {
        expect($setting->takes($setting->default()))->toBeTrue()
            ->and($setting->takes($strict))->toBeTrue()->and($setting->takes($lax))->toBeTrue()
            ->and($setting->stricter($strict, $lax))->toBe($strict)
            ->and($setting->stricter($lax, $strict))->toBe($strict)
            ->and($setting->stricter($lax, $lax))->toBe($lax);
    })->with([
        [RoomSetting::Opens, 15, 60], [RoomSetting::Doors, 0, 10], [RoomSetting::BeforeHost, 'wait', 'lobby'], [RoomSetting::BeforeHost, 'lobby', 'enter'], [RoomSetting::Lobby, ['everyone'], []], [RoomSetting::InvitedOnly, true, false],
        [RoomSetting::SignIn, true, false], [RoomSetting::Passcode, true, false], [RoomSetting::PasscodeInLink, false, true], [RoomSetting::PasscodeLength, 12, 8], [RoomSetting::Capacity, 40, null], [RoomSetting::Capacity, 40, 50], [RoomSetting::Lock, 0, null], [RoomSetting::Lock, 10, 15],
        [RoomSetting::Video, false, true], [RoomSetting::Audio, 'computer', 'both'], [RoomSetting::Cameras, 'off', 'own'], [RoomSetting::Microphones, 'own', 'on'], [RoomSetting::Screens, 'hosts', 'everyone'], [RoomSetting::Chat, 'hosts', 'everyone'], [RoomSetting::Captions, true, false], [RoomSetting::ArrivalSound, true, false],
        [RoomSetting::Recording, false, true], [RoomSetting::NameMark, true, false], [RoomSetting::Renaming, false, true], [RoomSetting::Countries, ['refuse' => ['BO']], null], [RoomSetting::Countries, ['allow' => ['KE']], ['allow' => ['KE', 'PT']]], [RoomSetting::PhonesNot, ['GB'], []],
    ]);

    it('adds up lobbies and countries of two locks', function (): void {
        expect(RoomSetting::Lobby->stricter(['not_signed_in'], ['guests']))->toBe(['guests', 'not_signed_in'])
            ->and(RoomSetting::Countries->stricter(['allow' => ['KE', 'PT']], ['refuse' => ['PT']]))->toBe(['allow' => ['KE']])
            ->and(RoomSetting::Countries->stricter(['refuse' => ['PT']], ['refuse' => ['BO', 'PT']]))->toBe(['refuse' => ['PT', 'BO']])
            ->and(RoomSetting::Countries->stricter(['allow' => ['KE']], ['allow' => ['PT']]))->toBe(['allow' => []]);
    });

    it('takes nothing else', function (RoomSetting $setting, array $wrong): void {
        expect(array_filter($wrong, $setting->takes(...)))->toBe([]);
    })->with([
        [RoomSetting::Doors, [-1, 1441, '10', null, true, 1.5, []]], [RoomSetting::Capacity, [0, 100_001, '40', false]], [RoomSetting::Lock, [-1, 1441, 'never']], [RoomSetting::BeforeHost, ['stand', null, true, ['enter']]],
        [RoomSetting::Lobby, ['guests', ['anyone'], [1], ['a' => 'guests'], null, array_fill(0, 4, 'guests')]], [RoomSetting::SignIn, [1, 'yes', null]], [RoomSetting::Screens, ['all', true]],
        [RoomSetting::Countries, [[], ['allow' => ['ke']], ['allow' => ['KE'], 'refuse' => []], ['allow' => 'KE'], ['only' => ['KE']], 'KE', ['allow' => [1]], ['allow' => ['x' => 'KE']]]], [RoomSetting::PhonesAlso, [['ke'], 'KE', null]],
    ]);
});

describe('RoomRules', function (): void {
    it('holds what is locked before what was chosen, before what is usual in the house, before what is usual', function (): void {
        $rules = RoomRules::of(['doors' => 5, 'lock' => 20, 'chat' => 'nonsense', 'odd' => 1], ['doors' => 15, 'opens' => 30, 'lock' => 10], ['lock' => 15]);

        expect($rules->toArray())->toMatchArray(['doors' => 5, 'opens' => 30, 'lock' => 15, 'chat' => 'everyone'])->not->toHaveKey('odd')
            ->and($rules->entry()->lock)->toBe(15)
            ->and($rules->with(['countries' => ['refuse' => ['BO']]])->entry()->countries?->lets('BO'))->toBeFalse();
    });

    it('lets a country in without letting all in', function (): void {
        expect(CountryRule::refuse(['BO', 'PT'])->letting('BO')?->toArray())->toBe(['refuse' => ['PT']])
            ->and(CountryRule::refuse(['BO'])->letting('BO'))->toBeNull()
            ->and(CountryRule::allow(['KE'])->letting('BO')?->toArray())->toBe(['allow' => ['KE', 'BO']])
            ->and(CountryRule::allow(['KE'])->letting('KE')?->toArray())->toBe(['allow' => ['KE']]);
    });
});

describe('EntryForecast', function () use ($somebody): void {
    it('says minute by minute what the desk says of whoever comes then', function (int $seed) use ($somebody): void {
        mt_srand($seed);
        $pick = static fn(array $of): mixed => $of[mt_rand(0, count($of) - 1)];
        $rules = RoomRules::of(['opens' => $pick([0, 5, 60]), 'doors' => $pick([0, 10, 30]), 'beforeHost' => $pick(['enter', 'lobby', 'wait']), 'lobby' => $pick([[], ['guests'], ['everyone'], ['guests', 'not_signed_in']]), 'invitedOnly' => $pick([true, false]), 'signIn' => $pick([true, false]), 'countries' => $pick([null, ['refuse' => ['BO']]]), 'capacity' => null, 'lock' => $pick([null, 0, 10])])->entry();
        $forecast = new EntryForecast($rules, $pick([-45, -10, 0, 7]));
        $person = $somebody('a', $pick(ArrivesAs::cases()), $pick([true, false]), $pick([null, 'BO', 'KE']));
        $stretches = $forecast->of($person, -40, 30);

        expect($stretches[0]->from)->toBe(-40)->and(end($stretches)->until)->toBe(30);
        for ($minute = -40; $minute < 30; $minute++) {
            $here = array_values(array_filter($stretches, static fn(EntryStretch $s): bool => $s->from <= $minute && $minute < $s->until));
            $answer = $forecast->answer($person, $minute);
            expect($here)->toHaveCount(1)->and([$here[0]->outcome, $here[0]->reason])->toBe([$answer->outcome, $answer->reason], "seed $seed, minute $minute");
        }
    })->with(range(1, 40));
});

describe('RoomConflicts', function () use ($somebody): void {
    $host = $somebody('wanjiru', ArrivesAs::Host);
    $people = [$host, $somebody('ines', country: 'PT'), $somebody('corin', signedIn: false), $somebody('lena', ArrivesAs::Guest, false), $somebody('rosa', ArrivesAs::Guest, false, 'BO')];
    $told = static fn(array $rules, int $hostComes = 0, ?BridgeAccount $account = null, int $minutes = 45, ?array $with = null): array => array_map(static fn(RoomConflict $c): array => [$c->kind->value, $c->people], (new RoomConflicts(RoomRules::of($rules), $with ?? $people, $hostComes, $account, $minutes))->all());

    it('names what does not go together, and with whom', function (array $rules, array $wanted) use ($told): void {
        expect($told($rules))->toBe($wanted);
    })->with([
        'what is usual' => [[], []],
        'sign-in' => [['signIn' => true], [['guests_cannot_sign_in', ['lena', 'rosa']]]],
        'a country' => [['countries' => ['refuse' => ['BO']]], [['country_refused', ['rosa']]]],
        'only some countries' => [['countries' => ['allow' => ['KE']]], [['country_refused', ['ines']], ['country_refused', ['rosa']]]],
        'a lobby, ahead of the host' => [['beforeHost' => 'enter', 'lobby' => ['not_signed_in']], [['nobody_to_let_in', ['corin', 'lena', 'rosa']]]],
        'the same with doors that open at the start, when the host is there' => [['beforeHost' => 'enter', 'lobby' => ['not_signed_in'], 'doors' => 0], []],
        'a lock' => [['lock' => 2], [['locked_early', ['ines', 'corin', 'lena', 'rosa']]]],
        'a lock late enough' => [['lock' => 5], []],
        'places' => [['capacity' => 4], [['too_few_places', []]]],
    ]);

    it('finds nobody waiting for whoever comes early', function () use ($told): void {
        expect($told(['beforeHost' => 'enter', 'lobby' => ['guests']], -10))->toBe([]);
    });

    it('is settled by each of the ways it names', function (array $rules) use ($people): void {
        foreach ((new RoomConflicts(RoomRules::of($rules), $people, 0, null, 45))->all() as $conflict) {
            expect($conflict->ways)->not->toBe([]);
            foreach ($conflict->ways as $way) {
                $after = (new RoomConflicts(RoomRules::of($rules)->with($way), $people, 0, null, 45))->all();
                expect(array_filter($after, static fn(RoomConflict $c): bool => $c->kind === $conflict->kind && $c->people === $conflict->people))->toBe([], json_encode($way));
            }
        }
    })->with([[['signIn' => true]], [['countries' => ['refuse' => ['BO']]]], [['countries' => ['allow' => ['KE']]]], [['beforeHost' => 'enter', 'lobby' => ['everyone']]], [['lock' => 0]], [['capacity' => 2]]]);

    it('holds the plan against the account', function (array $rules, int $minutes, array $wanted) use ($told, $host, $somebody): void {
        $account = new BridgeAccount('s', 'Small', 40, 3, 1, ['countries']);
        $with = [$host, $somebody('a', ArrivesAs::CoHost), $somebody('b', ArrivesAs::CoHost), $somebody('c')];
        expect(array_column($told($rules, 0, $account, $minutes, $with), 0))->toBe($wanted);
    })->with([
        [[], 40, ['too_many_for_account', 'too_many_co_hosts']],
        [[], 45, ['too_many_for_account', 'too_long_for_account', 'too_many_co_hosts']],
        [['recording' => true, 'captions' => false, 'countries' => ['refuse' => ['BO']]], 40, ['too_many_for_account', 'too_many_co_hosts', 'not_offered']],
    ]);
});

it('estimates what a recording takes', function (int $minutes, bool $seen, int $megabytes): void {
    expect(RecordingSize::megabytes($minutes, $seen))->toBe($megabytes);
})->with([[60, true, 450], [45, true, 338], [45, false, 22], [0, true, 0]]);

describe('DialInChoice', function (): void {
    $numbers = [DialIn::of('GB', '+442079460142'), DialIn::of('US', '+12025550142'), DialIn::of('US', '+18005550142', true), DialIn::of('IN', '+912255501420'), DialIn::of('AU', '+61255500142')];
    $told = static fn(array $chosen): array => array_map(static fn(ChosenCountry $c): array => [$c->country, $c->from, array_map(static fn(DialIn $d): string => $d->number, $c->numbers), $c->people], $chosen);

    it('gives the countries in which people are, the nearest where one has no number, and what is added and left out', function (array $people, array $also, array $not, array $wanted) use ($numbers, $told): void {
        expect($told((new DialInChoice($numbers, ZoneCountries::places()))->of($people, $also, $not)))->toBe($wanted);
    })->with([
        'free ones first' => [['a' => 'US', 'b' => null, 'c' => 'US'], [], [], [['US', 'US', ['+18005550142', '+12025550142'], ['a', 'c']]]],
        'Nepal calls India, Ireland Great Britain, New Zealand Australia' => [['a' => 'NP', 'b' => 'IE', 'c' => 'NZ'], [], [], [['IE', 'GB', ['+442079460142'], ['b']], ['NP', 'IN', ['+912255501420'], ['a']], ['NZ', 'AU', ['+61255500142'], ['c']]]],
        'added, and left out' => [['a' => 'GB'], ['AU'], ['GB'], [['AU', 'AU', ['+61255500142'], []]]],
        'nobody knows where' => [['a' => null], [], [], []],
    ]);

    it('knows the country of a zone as the IANA table on this machine does', function (): void {
        $checked = 0;
        foreach (file('/usr/share/zoneinfo/zone.tab') ?: [] as $line) {
            if ($line[0] !== '#') {
                [$country, , $zone] = explode("\t", trim($line));
                expect(ZoneCountries::of($zone))->toBe($country, $zone);
                $checked++;
            }
        }
        expect($checked)->toBeGreaterThan(300)
            ->and(ZoneCountries::of('Asia/Calcutta'))->toBe('IN')->and(ZoneCountries::of('UTC'))->toBeNull()->and(ZoneCountries::of('Etc/GMT+3'))->toBeNull()->and(ZoneCountries::of('Mars/Base'))->toBeNull();
    });

    it('writes numbers as they are dialled at home, and for telephones that dial by themselves', function (string $e164, string $national): void {
        expect(PhoneText::national($e164))->toBe($national)->and(PhoneText::dialString($e164, '829114507', '604185'))->toBe("$e164,,829114507#,,604185#");
    })->with([['+442079460142', '020 7946 0142'], ['+12025550142', '(202) 555-0142'], ['+61255500142', '(02) 5550 0142'], ['+254202555142', '020 2555142']]);
});

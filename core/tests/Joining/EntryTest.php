<?php

declare(strict_types=1);

use Syndex\Core\Headless\Protocol;
use Syndex\Core\Joining\Arrival;
use Syndex\Core\Joining\ArrivesAs;
use Syndex\Core\Joining\BeforeHost;
use Syndex\Core\Joining\CountryRule;
use Syndex\Core\Joining\EntryDesk;
use Syndex\Core\Joining\EntryRules;
use Syndex\Core\Joining\LobbyHolds;
use Syndex\Core\Joining\PasscodeGiven;
use Syndex\Core\Joining\WayIn;
use Syndex\Core\Tests;

/** The verb on one line. @return array<string, mixed> */
$entry = static fn(array $line): array => json_decode((string) Protocol::forVerb('entry', Tests\zones())?->answer((string) json_encode(['id' => 1, ...$line])), true);

$rules = ['opens' => 60, 'doors' => 10, 'before_host' => 'lobby', 'lobby' => ['guests'], 'invited_only' => true, 'sign_in' => false, 'passcode' => true, 'countries' => null, 'capacity' => null, 'lock' => 10];
$start = '2026-12-08T12:30:00Z';
$comes = static fn(string $id, string $clock, array $changes = []): array => ['id' => $id, 'at' => "2026-12-08T{$clock}Z", 'who' => 'colleague', 'way' => 'link', 'signed_in' => true, 'country' => null, 'passcode' => 'right', ...$changes];

/**
 * The decision table of docs/decisions/0033-who-gets-in.md, row by row: the first whose cells all hold decides. A cell that is not
 * there may be anything.
 */
const TABLE = [
    [['passcode asked' => true, 'passcode' => 'wrong'], 'refused passcode_wrong'],
    [['passcode asked' => true, 'passcode' => 'none'], 'refused passcode_missing'],
    [['runs it' => true, 'moment' => ['before all']], 'closed too_early'],
    [['runs it' => true], 'admitted host'],
    [['country' => 'refused'], 'refused country'],
    [['sign-in needed' => true, 'signed in' => false], 'refused sign_in'],
    [['only invited' => true, 'who' => ['stranger']], 'refused not_invited'],
    [['moment' => ['before all', 'hosts may open']], 'closed too_early'],
    [['moment' => ['at the lock']], 'refused locked'],
    [['full' => true], 'refused full'],
    [['host is here' => false, 'before the host' => 'lobby'], 'lobby no_host'],
    [['host is here' => false, 'before the host' => 'wait'], 'waits no_host'],
    [['held' => true], 'lobby lobby'],
    [[], 'admitted open'],
];

/** @param array<string, mixed> $cells */
function byTable(array $cells): string
{
    foreach (TABLE as [$row, $answer]) {
        foreach ($row as $cell => $wanted) {
            if (!(is_array($wanted) ? in_array($cells[$cell], $wanted, true) : $cells[$cell] === $wanted)) {
                continue 2;
            }
        }

        return $answer;
    }

    return '';
}

describe('EntryDesk', function (): void {
    it('decides as the table says, every cell with every other', function (ArrivesAs $who): void {
        $start = 1_000_000;
        $moments = ['before all' => -3601, 'hosts may open' => -3600, 'doors open' => -600, 'begun' => 0, 'at the lock' => 1200];
        $bools = [false, true];
        $wrong = [];
        $count = 0;
        foreach ([[], [LobbyHolds::Everyone], [LobbyHolds::Guests], [LobbyHolds::NotSignedIn], [LobbyHolds::Guests, LobbyHolds::NotSignedIn]] as $lobby) {
            foreach (BeforeHost::cases() as $beforeHost) {
                foreach ($bools as $asked) {
                    foreach ($bools as $signIn) {
                        foreach ($bools as $invitedOnly) {
                            foreach ($bools as $isFull) {
                                $rules = new EntryRules(60, 10, $beforeHost, $lobby, $invitedOnly, $signIn, $asked, CountryRule::refuse(['BO']), $isFull ? 1 : 3, 20);
                                foreach ($bools as $isHostHere) {
                                    foreach ($moments as $moment => $at) {
                                        foreach ([WayIn::Link, WayIn::Phone] as $way) {
                                            foreach ($bools as $signedIn) {
                                                foreach (['KE', 'BO', null] as $country) {
                                                    foreach (PasscodeGiven::cases() as $given) {
                                                        $desk = new EntryDesk($rules, $start);
                                                        // Who holds the one place of a full room: a host if one is here, else nobody can.
                                                        if ($isHostHere) {
                                                            $desk->decide(new Arrival('host', $start - 3600, ArrivesAs::Host, WayIn::Link, true, null, PasscodeGiven::Right));
                                                        }
                                                        $really = $signedIn && $way !== WayIn::Phone;
                                                        $isOutside = $who === ArrivesAs::Guest || $who === ArrivesAs::Stranger;
                                                        $cells = [
                                                            'passcode asked' => $asked, 'passcode' => $given->value, 'runs it' => $who === ArrivesAs::Host || $who === ArrivesAs::CoHost, 'moment' => $moment,
                                                            'country' => $country === 'BO' ? 'refused' : 'let in', 'sign-in needed' => $signIn, 'signed in' => $really, 'only invited' => $invitedOnly, 'who' => $who->value,
                                                            'full' => $isFull && $isHostHere, 'host is here' => $isHostHere, 'before the host' => $beforeHost->value,
                                                            'held' => in_array(LobbyHolds::Everyone, $lobby, true) || (in_array(LobbyHolds::Guests, $lobby, true) && $isOutside) || (in_array(LobbyHolds::NotSignedIn, $lobby, true) && !$really),
                                                        ];
                                                        $answer = $desk->decide(new Arrival('a', $start + $at, $who, $way, $signedIn, $country, $given))->answer;
                                                        $count++;
                                                        if ("{$answer->outcome->value} {$answer->reason->value}" !== byTable($cells)) {
                                                            $wrong[] = json_encode($cells) . " {$answer->outcome->value} {$answer->reason->value}";
                                                        }
                                                    }
                                                }
                                            }
                                        }
                                    }
                                }
                            }
                        }
                    }
                }
            }
        }

        expect(array_slice($wrong, 0, 3))->toBe([])->and($count)->toBe(5 * 3 * 16 * 2 * 5 * 2 * 2 * 3 * 3);
    })->with(ArrivesAs::cases());
});

describe('the verb entry', function () use ($entry, $rules, $start, $comes): void {
    $told = static fn(array $answer): array => array_map(static fn(array $d): string => "{$d['id']} {$d['outcome']} {$d['reason']}" . (array_key_exists('then', $d) ? ' then ' . implode(', ', array_map(static fn(array $t): string => "{$t['id']} {$t['outcome']} {$t['reason']}", $d['then'])) : ''), $answer['decisions']);

    it('answers in the order of the arrivals, and decides anew on who waited when the first host comes', function (array $changes, array $arrivals, array $wanted) use ($entry, $rules, $start, $told): void {
        expect($told($entry(['start' => $start, 'duration' => 45, 'rules' => [...$rules, ...$changes], 'arrivals' => $arrivals])))->toBe($wanted);
    })->with([
        'exactly at a bound is inside' => [[], [$comes('a', '11:29:59', ['who' => 'host']), $comes('b', '11:30:00', ['who' => 'host']), $comes('c', '12:19:59'), $comes('d', '12:20:00'), $comes('e', '12:39:59'), $comes('f', '12:40:00')], ['a closed too_early', 'b admitted host then ', 'c closed too_early', 'd admitted open', 'e admitted open', 'f refused locked']],
        'a host may come when the doors are open, however late they may open' => [['opens' => 0], [$comes('a', '12:20:00', ['who' => 'co_host'])], ['a admitted host then ']],
        'in the order of their answers, the held stay held' => [[], [$comes('a', '12:21:00'), $comes('g', '12:21:30', ['who' => 'guest']), $comes('b', '12:22:00'), $comes('a', '12:23:00'), $comes('h', '12:25:00', ['who' => 'host']), $comes('k', '12:26:00', ['who' => 'co_host'])], ['a lobby no_host', 'g lobby no_host', 'b lobby no_host', 'a lobby no_host', 'h admitted host then g lobby lobby, b admitted open, a admitted open', 'k admitted host']],
        'who was told something else since waits no more' => [['passcode' => true], [$comes('a', '12:21:00'), $comes('a', '12:22:00', ['passcode' => 'wrong']), $comes('h', '12:23:00', ['who' => 'host'])], ['a lobby no_host', 'a refused passcode_wrong', 'h admitted host then ']],
        'who waited and comes as the host' => [[], [$comes('a', '12:21:00'), $comes('a', '12:22:00', ['who' => 'host'])], ['a lobby no_host', 'a admitted host then ']],
        'a full room is full for those who waited too' => [['capacity' => 2, 'before_host' => 'wait'], [$comes('a', '12:21:00'), $comes('b', '12:22:00'), $comes('h', '12:23:00', ['who' => 'host'])], ['a waits no_host', 'b waits no_host', 'h admitted host then a admitted open, b refused full']],
        'the lock is not asked again' => [['lock' => 0, 'doors' => 60], [$comes('a', '12:29:59'), $comes('h', '12:45:00', ['who' => 'host'])], ['a lobby no_host', 'h admitted host then a admitted open']],
        'who comes again holds one place' => [['capacity' => 2, 'before_host' => 'enter'], [$comes('a', '12:21:00'), $comes('a', '12:22:00', ['way' => 'phone']), $comes('b', '12:23:00'), $comes('a', '12:24:00'), $comes('c', '12:25:00')], ['a admitted open', 'a admitted open', 'b admitted open', 'a admitted open', 'c refused full']],
        'the lobby holds no place' => [['capacity' => 1, 'lobby' => ['everyone'], 'before_host' => 'enter'], [$comes('a', '12:21:00'), $comes('b', '12:22:00')], ['a lobby lobby', 'b lobby lobby']],
        'a host is never turned away from a full room' => [['capacity' => 1, 'before_host' => 'enter'], [$comes('a', '12:21:00'), $comes('h', '12:22:00', ['who' => 'host'])], ['a admitted open', 'h admitted host then ']],
        'only those countries' => [['countries' => ['allow' => ['KE', 'PT']]], [$comes('a', '12:31:00', ['country' => 'BO']), $comes('b', '12:31:00', ['country' => 'PT']), $comes('c', '12:31:00'), $comes('h', '12:31:00', ['who' => 'host', 'country' => 'BO'])], ['a refused country', 'b lobby no_host', 'c lobby no_host', 'h admitted host then b admitted open, c admitted open']],
        'no passcode asked' => [['passcode' => false], [$comes('a', '12:31:00', ['passcode' => 'wrong'])], ['a lobby no_host']],
        'nobody' => [[], [], []],
    ]);

    it('refuses what it cannot read, by its code', function (array $changes, string $code) use ($entry, $rules, $start, $comes): void {
        $line = ['start' => $start, 'duration' => 45, 'rules' => $rules, 'arrivals' => [$comes('a', '12:30:00')]];
        foreach ($changes as $key => $value) {
            $line[$key] = is_array($value) && is_string(array_key_first($value)) && is_array($line[$key] ?? null) ? [...$line[$key], ...$value] : $value;
            $line[$key] = is_array($line[$key]) ? array_filter($line[$key], static fn(mixed $v): bool => $v !== 'left out') : $line[$key];
        }
        expect($entry(array_filter($line, static fn(mixed $v): bool => $v !== 'left out'))['error']['code'])->toBe($code);
    })->with([
        ...array_map(static fn(string $key): array => [['rules' => [$key => 'left out']], 'bad_value'], ['opens', 'doors', 'before_host', 'lobby', 'invited_only', 'sign_in', 'passcode', 'countries', 'capacity', 'lock']),
        ...array_map(static fn(string $key): array => [['arrivals' => [array_diff_key($comes('a', '12:30:00'), [$key => 0])]], 'bad_value'], ['id', 'at', 'who', 'way', 'signed_in', 'country', 'passcode']),
        ...array_map(static fn(string $key): array => [[$key => 'left out'], 'bad_value'], ['start', 'duration', 'rules', 'arrivals']),
        [['rules' => ['opens' => 1441]], 'bad_value'], [['rules' => ['doors' => -1]], 'bad_value'], [['rules' => ['lock' => 1441]], 'bad_value'], [['rules' => ['capacity' => 0]], 'bad_value'], [['rules' => ['before_host' => 'stand']], 'bad_value'],
        [['rules' => ['lobby' => 'everyone']], 'bad_value'], [['rules' => ['lobby' => ['anyone']]], 'bad_value'], [['rules' => ['lobby' => null]], 'bad_value'], [['rules' => ['sign_in' => 1]], 'bad_value'], [['rules' => ['color' => 'red']], 'unknown_key'],
        [['rules' => ['countries' => ['allow' => ['KE'], 'refuse' => ['BO']]]], 'bad_value'], [['rules' => ['countries' => new stdClass()]], 'bad_value'], [['rules' => ['countries' => ['allow' => ['ke']]]], 'bad_value'], [['rules' => ['countries' => ['only' => ['KE']]]], 'unknown_key'],
        [['arrivals' => [$comes('a', '12:30:00'), $comes('b', '12:29:59')]], 'bad_value'], [['arrivals' => [$comes('a', '12:30:00', ['who' => 'boss'])]], 'bad_value'], [['arrivals' => [$comes('a', '12:30:00', ['way' => 'window'])]], 'bad_value'], [['arrivals' => [$comes('a', '12:30:00', ['country' => 'Kenya'])]], 'bad_value'],
        [['arrivals' => [$comes('a', '12:30:00', ['name' => 'x'])]], 'unknown_key'], [['arrivals' => [$comes('a', '12:30:00', ['at' => '2026-12-08T12:30:00'])]], 'bad_value'], [['duration' => 0], 'bad_value'], [['zone' => 'UTC'], 'unknown_key'],
    ]);

    it('reads an empty allow list as nobody whose country is known', function () use ($entry, $rules, $start, $comes, $told): void {
        expect($told($entry(['start' => $start, 'duration' => 45, 'rules' => [...$rules, 'countries' => ['allow' => []]], 'arrivals' => [$comes('a', '12:30:00', ['country' => 'KE'])]])))->toBe(['a refused country']);
    });
});

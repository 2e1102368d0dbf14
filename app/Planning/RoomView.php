<?php

declare(strict_types=1);

namespace App\Planning;

use App\HouseRules\RoomPolicy;
use App\Joining\BridgeOffers;
use App\People\Countries;
use App\People\PersonKind;
use App\People\Whereabouts;
use Syndex\Core\Joining\ArrivesAs;
use Syndex\Core\Joining\BridgeAccount;
use Syndex\Core\Joining\ChosenCountry;
use Syndex\Core\Joining\DialIn;
use Syndex\Core\Joining\EntryForecast;
use Syndex\Core\Joining\EntryOutcome;
use Syndex\Core\Joining\EntryReason;
use Syndex\Core\Joining\EntryStretch;
use Syndex\Core\Joining\Expected;
use Syndex\Core\Joining\PhoneText;
use Syndex\Core\Joining\RecordingSize;
use Syndex\Core\Joining\RoomConflict;
use Syndex\Core\Joining\RoomConflicts;
use Syndex\Core\Joining\RoomRules;
use Syndex\Core\Joining\RoomSetting;
use Syndex\Core\Joining\WayIn;
use Syndex\Core\Time\Instant;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Work;

/** The room of a sheet: its settings and who locks them, what becomes of each at the door, what does not go together, and the telephones. */
final readonly class RoomView
{
    /** Minutes around the start that are shown at least, and at most. */
    private const BEFORE = 15;

    private const AFTER = 30;

    private const MOST = 180;

    /** Of the picture, beyond the last moment at which something changes. */
    private const MARGIN = 5;

    /** Minutes around the start for which the clock is told: wherever the host may be taken to come. */
    private const CLOCKS = 180;

    /** Somebody to whom the link was handed on. */
    private const STRANGER = '';

    /** Dates of a series that are held against what else is held in the same room. */
    private const DATES = 500;

    public function __construct(private RoomOf $rooms, private Whereabouts $whereabouts, private BridgeOffers $offers, private StandingRooms $standing) {}

    /**
     * @param  int  $hostComes  minutes from the start
     * @param  ?string  $meetingId  of whose time it is no matter that it is taken: the meeting itself
     * @return array<string, mixed>
     */
    public function of(Sheet $sheet, int $hostComes, ?string $meetingId = null): array
    {
        $policy = $this->rooms->policy($sheet->hostId);
        $rules = $policy->rules($sheet->room->settings);
        $account = $this->offers->account($sheet->room->account);
        $expected = $this->expected($sheet);
        $forecast = new EntryForecast($rules->entry(), $hostComes);
        [$from, $until] = self::window($rules, $hostComes);

        return [
            'settings' => self::settings($policy, $rules, $sheet->room, $account),
            'account' => $account === null ? null : self::account($account),
            'accounts' => array_map(self::account(...), $this->offers->accounts()),
            'recordingMegabytes' => RecordingSize::megabytes($sheet->durationMinutes, $rules->is(RoomSetting::Video)),
            'from' => $from,
            'until' => $until,
            'hostComes' => $hostComes,
            'clocks' => self::clocks($sheet),
            'groups' => self::groups($expected, $forecast, $from, $until),
            'sum' => self::sum($expected, $forecast, max(0, $hostComes)),
            'conflicts' => [...array_map(self::conflict(...), (new RoomConflicts($rules, $expected, $hostComes, $account, $sheet->durationMinutes))->all()), ...$this->atOnce($sheet, $meetingId)],
            'holders' => self::isStanding($sheet) ? $this->standing->holders((string) $sheet->hostId, array_column($sheet->attendees, 'personId')) : null,
            'inRoom' => $sheet->joinMode === JoinMode::Both ? $sheet->room->parts->inRoom : [],
            ...$this->phones($expected, $rules, $sheet->joinMode === JoinMode::Phone || $rules->value(RoomSetting::Audio) !== 'computer'),
        ];
    }

    /**
     * The same, without other meetings that are held in the room and who was told of it there.
     *
     * @param  array<string, mixed>  $room
     * @return array<string, mixed>
     */
    public static function ofThisMeeting(array $room): array
    {
        return [...$room, 'holders' => null, 'conflicts' => array_values(array_filter($room['conflicts'], static fn(array $c): bool => $c['kind'] !== 'room_taken'))];
    }

    /** @return list<array<string, mixed>> what does not go together, the host coming at the start */
    public function conflicts(Sheet $sheet, ?string $meetingId = null): array
    {
        return [...array_map(self::conflict(...), (new RoomConflicts($this->rooms->policy($sheet->hostId)->rules($sheet->room->settings), $this->expected($sheet), 0, $this->offers->account($sheet->room->account), $sheet->durationMinutes))->all()), ...$this->atOnce($sheet, $meetingId)];
    }

    private static function isStanding(Sheet $sheet): bool
    {
        return $sheet->room->parts->standing && $sheet->hostId !== null;
    }

    /** @return list<array<string, mixed>> other meetings that are held in the same room then */
    private function atOnce(Sheet $sheet, ?string $meetingId): array
    {
        if (!self::isStanding($sheet) || $sheet->series->allDay) {
            return [];
        }
        $dates = array_map(static fn(int $start): array => [$start, $start + $sheet->durationMinutes * 60], $sheet->series->expand(Work::usual(), Instant::ofSeconds(now()->getTimestamp()), limit: self::DATES)->starts);

        return array_map(static fn(array $other): array => [
            'kind' => 'room_taken', 'people' => [], 'ways' => [],
            'facts' => (object) ['title' => $other['title'], 'date' => WallTime::ofSeconds($sheet->zone->toWall((int) strtotime($other['on'])))->format()],
        ], $this->standing->atOnce((string) $sheet->hostId, $dates, $meetingId));
    }

    /** @return array<string, mixed> */
    private static function conflict(RoomConflict $conflict): array
    {
        $country = $conflict->facts['country'] ?? null;

        return [
            'kind' => $conflict->kind->value,
            'people' => $conflict->people,
            'facts' => (object) [...$conflict->facts, ...($country === null ? [] : ['place' => Countries::named((string) $country)])],
            'ways' => array_map(static fn(array $way): object => (object) $way, $conflict->ways),
        ];
    }

    /** @return list<Expected> in the order of the sheet */
    private function expected(Sheet $sheet): array
    {
        $found = $this->whereabouts->of(array_column($sheet->attendees, 'personId'));
        $expected = [];
        foreach ($sheet->attendees as ['personId' => $id]) {
            $about = $found[$id] ?? null;
            // Who comes to the place comes through no door.
            if ($about !== null && !($sheet->joinMode === JoinMode::Both && in_array($id, $sheet->room->parts->inRoom, true))) {
                $who = match (true) {
                    $id === $sheet->hostId => ArrivesAs::Host,
                    in_array($id, $sheet->room->coHosts, true), $id === $sheet->room->parts->standIn => ArrivesAs::CoHost,
                    $about['kind'] === PersonKind::Guest => ArrivesAs::Guest,
                    default => ArrivesAs::Colleague,
                };
                $expected[] = new Expected($id, $who, WayIn::Link, $about['signsIn'], $about['country']);
            }
        }

        return $expected;
    }

    /** @return array{int, int} */
    private static function window(RoomRules $rules, int $hostComes): array
    {
        $doors = (int) $rules->number(RoomSetting::Doors);
        $lock = $rules->number(RoomSetting::Lock) ?? 0;

        return [
            -min(self::MOST, max(self::BEFORE, $doors + self::MARGIN, self::MARGIN - $hostComes)),
            min(self::MOST, max(self::AFTER, $lock + 2 * self::MARGIN, $hostComes + 2 * self::MARGIN)),
        ];
    }

    /** @return array{from: int, shown: list<string>} what the clock of the meeting shows, minute by minute, on its first date */
    private static function clocks(Sheet $sheet): array
    {
        $start = $sheet->zone->toUtc($sheet->series->start->seconds);

        return ['from' => -self::CLOCKS, 'shown' => array_map(static fn(int $minute): string => substr(WallTime::ofSeconds($sheet->zone->toWall($start + $minute * 60))->format(), 11, 5), range(-self::CLOCKS, self::CLOCKS))];
    }

    /** @return array<string, array<string, mixed>> */
    private static function settings(RoomPolicy $policy, RoomRules $rules, RoomChoices $choices, ?BridgeAccount $account): array
    {
        $settings = [];
        foreach (RoomSetting::cases() as $setting) {
            $settings[$setting->value] = [
                'value' => $rules->value($setting),
                'lockedBy' => $policy->lockedBy($setting),
                'chosen' => array_key_exists($setting->value, $choices->settings),
                'offered' => $account === null || $account->can($setting),
            ];
        }

        return $settings;
    }

    /** @return array<string, mixed> */
    private static function account(BridgeAccount $account): array
    {
        return ['id' => $account->id, 'name' => $account->name, 'minutes' => $account->minutes, 'people' => $account->people, 'coHosts' => $account->coHosts];
    }

    /**
     * People to whom the same happens, the stranger last.
     *
     * @param  list<Expected>  $expected
     * @return list<array<string, mixed>>
     */
    private static function groups(array $expected, EntryForecast $forecast, int $from, int $until): array
    {
        $groups = [];
        foreach ([...$expected, new Expected(self::STRANGER, ArrivesAs::Stranger, WayIn::Link, false, null)] as $person) {
            $key = "{$person->who->value} {$person->country} " . ($person->signedIn ? 'in' : '');
            $groups[$key] ??= ['people' => [], 'who' => $person->who->value, 'signedIn' => $person->signedIn, 'country' => $person->country === null ? null : Countries::named($person->country), 'stretches' => array_map(static fn(EntryStretch $s): array => ['from' => $s->from, 'until' => $s->until, 'outcome' => $s->outcome->value, 'reason' => $s->reason->value], $forecast->of($person, $from, $until))];
            if ($person->id !== self::STRANGER) {
                $groups[$key]['people'][] = $person->id;
            }
        }

        return array_values($groups);
    }

    /**
     * Who is in when the host has come, who must be let in, and who is refused.
     *
     * @param  list<Expected>  $expected
     * @return array{at: int, in: int, of: int, letIn: list<string>, refused: list<string>}
     */
    private static function sum(array $expected, EntryForecast $forecast, int $minute): array
    {
        $in = 0;
        $letIn = $refused = [];
        foreach ($expected as $person) {
            $answer = $forecast->answer($person, $minute);
            if ($answer->outcome === EntryOutcome::Admitted) {
                $in++;
            } elseif ($answer->reason === EntryReason::Lobby) {
                $letIn[] = $person->id;
            } elseif ($answer->outcome === EntryOutcome::Refused) {
                $refused[] = $person->id;
            }
        }

        return ['at' => $minute, 'in' => $in, 'of' => count($expected), 'letIn' => $letIn, 'refused' => $refused];
    }

    /**
     * @param  list<Expected>  $expected
     * @return array{phones: list<array<string, mixed>>, nowhere: list<string>, numberCountries: list<array{code: string, name: string}>}
     */
    private function phones(array $expected, RoomRules $rules, bool $areGiven): array
    {
        $numbers = $areGiven ? $this->offers->numbers() : [];
        $countries = [];
        foreach ($expected as $person) {
            $countries[$person->id] = $person->country;
        }
        $chosen = MeetingPhones::choose($numbers, $countries, $rules);
        $offered = array_values(array_unique(array_map(static fn(DialIn $d): string => $d->country, $numbers)));

        return [
            'phones' => array_map(static fn(ChosenCountry $c): array => [
                'country' => $c->country,
                'name' => Countries::named($c->country),
                'from' => $c->from === $c->country ? null : Countries::named($c->from),
                'numbers' => array_map(static fn(DialIn $d): array => ['text' => $c->from === $c->country ? PhoneText::national($d->number) : PhoneText::of($d->number), 'uri' => $d->uri(), 'free' => $d->free], $c->numbers),
                'people' => $c->people,
            ], $chosen),
            'nowhere' => array_map(strval(...), array_keys(array_filter($countries, is_null(...)))),
            'numberCountries' => array_map(static fn(string $code): array => ['code' => $code, 'name' => Countries::named($code)], $offered),
        ];
    }
}

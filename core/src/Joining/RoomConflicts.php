<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** Finds what does not go together, as it arises. */
final readonly class RoomConflicts
{
    /** So long after the start people still come (common practice, no published source). */
    private const LATE_MINUTES = 5;

    private const LOCK_INSTEAD = 15;

    /** @param list<Expected> $people */
    public function __construct(private RoomRules $rules, private array $people, private int $hostComes, private ?BridgeAccount $account, private int $durationMinutes) {}

    /** @return list<RoomConflict> */
    public function all(): array
    {
        return array_values(array_filter([
            $this->guestsCannotSignIn(),
            ...$this->countriesRefused(),
            $this->nobodyToLetIn(),
            $this->lockedEarly(),
            $this->tooFewPlaces(),
            ...$this->beyondAccount(),
        ]));
    }

    private function guestsCannotSignIn(): ?RoomConflict
    {
        $guests = $this->ids(static fn(Expected $e): bool => $e->who === ArrivesAs::Guest);

        return $this->rules->is(RoomSetting::SignIn) && $guests !== []
            ? new RoomConflict(RoomConflictKind::GuestsCannotSignIn, $guests, ['count' => count($guests)], [
                [RoomSetting::SignIn->value => false, RoomSetting::Lobby->value => [LobbyHolds::NotSignedIn->value]],
                [RoomSetting::SignIn->value => false],
            ])
            : null;
    }

    /** @return list<RoomConflict> one for each country */
    private function countriesRefused(): array
    {
        $rule = $this->rules->entry()->countries;
        if ($rule === null) {
            return [];
        }
        $refused = [];
        foreach ($this->people as $person) {
            if ($person->country !== null && !$person->who->runsIt() && !$rule->lets($person->country)) {
                $refused[$person->country][] = $person->id;
            }
        }
        $conflicts = [];
        foreach ($refused as $country => $ids) {
            $conflicts[] = new RoomConflict(RoomConflictKind::CountryRefused, $ids, ['country' => $country, 'count' => count($ids)], [
                [RoomSetting::Countries->value => $rule->letting($country)?->toArray()],
                [RoomSetting::Countries->value => null],
            ]);
        }

        return $conflicts;
    }

    private function nobodyToLetIn(): ?RoomConflict
    {
        $entry = $this->rules->entry();
        $forecast = new EntryForecast($entry, $this->hostComes);
        $held = $this->ids(fn(Expected $e): bool => $this->hostComes > -$entry->doors && $forecast->answer($e, -$entry->doors)->reason === EntryReason::Lobby);

        return $held === [] ? null : new RoomConflict(RoomConflictKind::NobodyToLetIn, $held, ['count' => count($held), 'minutes' => $entry->doors], [
            [RoomSetting::BeforeHost->value => BeforeHost::Lobby->value],
            [RoomSetting::Lobby->value => []],
        ]);
    }

    private function lockedEarly(): ?RoomConflict
    {
        $lock = $this->rules->number(RoomSetting::Lock);
        $late = $this->ids(static fn(Expected $e): bool => !$e->who->runsIt());

        return $lock !== null && $lock < self::LATE_MINUTES && $late !== []
            ? new RoomConflict(RoomConflictKind::LockedEarly, $late, ['count' => count($late), 'minutes' => $lock], [[RoomSetting::Lock->value => self::LOCK_INSTEAD], [RoomSetting::Lock->value => null]])
            : null;
    }

    private function tooFewPlaces(): ?RoomConflict
    {
        $capacity = $this->rules->number(RoomSetting::Capacity);
        $count = count($this->people);

        return $capacity !== null && $capacity < $count
            ? new RoomConflict(RoomConflictKind::TooFewPlaces, [], ['count' => $count, 'places' => $capacity], [[RoomSetting::Capacity->value => $count], [RoomSetting::Capacity->value => null]])
            : null;
    }

    /** @return list<?RoomConflict> */
    private function beyondAccount(): array
    {
        $account = $this->account;
        if ($account === null) {
            return [];
        }
        $count = count($this->people);
        $coHosts = $this->ids(static fn(Expected $e): bool => $e->who === ArrivesAs::CoHost);
        $facts = ['account' => $account->name];

        return [
            $account->people !== null && $count > $account->people ? new RoomConflict(RoomConflictKind::TooManyForAccount, [], [...$facts, 'count' => $count, 'allowed' => $account->people], []) : null,
            $account->minutes !== null && $this->durationMinutes > $account->minutes ? new RoomConflict(RoomConflictKind::TooLongForAccount, [], [...$facts, 'count' => $this->durationMinutes, 'allowed' => $account->minutes], []) : null,
            $account->coHosts !== null && count($coHosts) > $account->coHosts ? new RoomConflict(RoomConflictKind::TooManyCoHosts, $coHosts, [...$facts, 'count' => count($coHosts), 'allowed' => $account->coHosts], []) : null,
            ...array_map(fn(RoomSetting $setting): ?RoomConflict => $this->wants($setting) && !$account->can($setting)
                ? new RoomConflict(RoomConflictKind::NotOffered, [], [...$facts, 'setting' => $setting->value], [[$setting->value => $setting === RoomSetting::Countries ? null : false]])
                : null, RoomSetting::cases()),
        ];
    }

    /** Whether something is asked of the bridge that not every one can do; what is so by itself is so where it can be. */
    private function wants(RoomSetting $setting): bool
    {
        $value = $this->rules->value($setting);

        return $setting->feature() !== null && $value !== $setting->default() && $value !== false && $value !== null;
    }

    /**
     * @param  \Closure(Expected): bool  $concerns
     * @return list<string>
     */
    private function ids(\Closure $concerns): array
    {
        return array_values(array_map(static fn(Expected $e): string => $e->id, array_filter($this->people, $concerns)));
    }
}

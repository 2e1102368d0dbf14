<?php

declare(strict_types=1);

namespace App\HouseRules;

use Illuminate\Support\Facades\DB;
use Syndex\Core\Overlap\Wishes;
use Syndex\Core\Time\WorkingHours;

/** The defaults and locks of the organisation, as they are set. */
final class HouseRules
{
    /** @var ?array<string, array{value: mixed, open: ?bool}> */
    private ?array $known = null;

    /** The name that stands over guests' pages and in mails. */
    public function organisation(): string
    {
        return (string) $this->of(HouseRule::Organisation);
    }

    /** Whose address is ORGANIZER: the meeting's own, or the host's. */
    public function organizer(): OrganizerAddress
    {
        return OrganizerAddress::from((string) $this->of(HouseRule::Organizer));
    }

    /** Whether public holidays are days off for somebody who wants it so (null: as the house has it). */
    public function keepsHolidays(?bool $wanted): bool
    {
        return $wanted !== null && $this->isOpen(HouseRule::Holidays) ? $wanted : (bool) $this->of(HouseRule::Holidays);
    }

    public function plannedHereIsAll(): bool
    {
        return (bool) $this->of(HouseRule::PlannedHereIsAll);
    }

    /** Hours of somebody of whom nothing else is known. */
    public function workingWeek(): WorkingHours
    {
        return WorkingHours::of((array) $this->of(HouseRule::WorkingWeek));
    }

    /** @return array{reminder_minutes: ?int, hides_people: ?bool} how a meeting begins that is planned anew */
    public function begun(): array
    {
        $reminder = $this->of(HouseRule::Reminder);

        return ['reminder_minutes' => $reminder === null ? null : (int) $reminder, 'hides_people' => ['always' => true, 'never' => false][(string) $this->of(HouseRule::HidesPeople)] ?? null];
    }

    public function largeTeam(): int
    {
        return (int) $this->of(HouseRule::LargeTeam);
    }

    public function pauseMinutes(): int
    {
        return (int) $this->of(HouseRule::Pause);
    }

    /** What a good time keeps to as well, for a search that is made now. */
    public function wishes(int $now): Wishes
    {
        $notice = (int) $this->of(HouseRule::Notice);
        $most = $this->of(HouseRule::MostADay);
        $quiet = $this->of(HouseRule::Quiet);

        return new Wishes(
            $this->pauseMinutes(),
            $notice === 0 ? null : $now + $notice * 3600,
            $most === null ? null : (int) $most,
            is_string($quiet) ? WorkingHours::of(array_fill_keys(WorkingHours::DAYS, [[substr($quiet, 0, 5), substr($quiet, 6)]])) : null,
        );
    }

    /** How rooms usually are, and what no meeting may have otherwise. */
    public function room(): RoomSource
    {
        return RoomSource::read(null, $this->of(HouseRule::Room));
    }

    /** Seconds in which what was sent can be taken back. */
    public function holdSeconds(): int
    {
        return (int) $this->of(HouseRule::Hold);
    }

    public function keepMessagesMonths(): ?int
    {
        $months = $this->of(HouseRule::KeepMessages);

        return $months === null ? null : (int) $months;
    }

    public function forgetGuestsMonths(): ?int
    {
        $months = $this->of(HouseRule::ForgetGuests);

        return $months === null ? null : (int) $months;
    }

    /** @return list<string> "host:port" in lower case */
    public function feedHosts(): array
    {
        return array_values(array_map(static fn(mixed $host): string => mb_strtolower((string) $host), (array) $this->of(HouseRule::FeedHosts)));
    }

    public function fileBytes(): int
    {
        return (int) $this->of(HouseRule::FileSize) * 1024 * 1024;
    }

    public function of(HouseRule $rule): mixed
    {
        return array_key_exists($rule->value, $this->all()) ? $this->all()[$rule->value]['value'] : $rule->default();
    }

    /** Whether somebody else may decide otherwise. */
    public function isOpen(HouseRule $rule): bool
    {
        return $rule->isOpen() !== null && ($this->all()[$rule->value]['open'] ?? $rule->isOpen());
    }

    /** @return array<string, mixed> each by name, and which are open: `open` has a row for each that can be */
    public function toArray(): array
    {
        $rules = $open = [];
        foreach (HouseRule::cases() as $rule) {
            $rules[$rule->value] = $this->of($rule);
            if ($rule->isOpen() !== null) {
                $open[$rule->value] = $this->isOpen($rule);
            }
        }

        return [...$rules, HouseRule::Room->value => $this->room()->wire(), 'open' => $open, 'forgotten' => $this->forgotten(), 'mailDomain' => config('syndex.mail_domain')];
    }

    /** @return array{count: int, lastAt: ?string} guests who were forgotten: how many, and when the last */
    private function forgotten(): array
    {
        $last = DB::table('forgotten_people')->max('forgotten_at');

        return ['count' => DB::table('forgotten_people')->count(), 'lastAt' => $last === null ? null : (string) $last];
    }

    /**
     * @param array<string, mixed> $values by name
     * @param array<string, bool> $open
     */
    public function set(array $values, array $open = []): void
    {
        DB::transaction(function () use ($values, $open): void {
            foreach (HouseRule::cases() as $rule) {
                $isOpenChanged = $rule->isOpen() !== null && array_key_exists($rule->value, $open);
                if (array_key_exists($rule->value, $values) || $isOpenChanged) {
                    DB::table('house_rules')->updateOrInsert(['name' => $rule->value], [
                        'value' => json_encode(array_key_exists($rule->value, $values) ? $values[$rule->value] : $this->of($rule)),
                        ...($isOpenChanged ? ['is_open' => $open[$rule->value]] : []),
                        'updated_at' => now(),
                    ]);
                }
            }
        });
        $this->known = null;
    }

    /** @return array<string, array{value: mixed, open: ?bool}> */
    private function all(): array
    {
        return $this->known ??= DB::table('house_rules')->get()->mapWithKeys(static fn(\stdClass $row): array => [(string) $row->name => ['value' => json_decode((string) $row->value, true), 'open' => $row->is_open === null ? null : (bool) $row->is_open]])->all();
    }
}

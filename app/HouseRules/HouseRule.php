<?php

declare(strict_types=1);

namespace App\HouseRules;

use Illuminate\Validation\Rule;
use Syndex\Core\Time\InvalidHours;
use Syndex\Core\Time\WorkingHours;

/** What an organisation decides once for all: each with a default, and some left open to those whom it concerns. */
enum HouseRule: string
{
    case Organisation = 'organisation';
    case Organizer = 'organizer';
    /** Whether public holidays are days off; open: a person may have it otherwise. */
    case Holidays = 'holidays';
    /** Whether colleagues without a calendar have nothing but what is planned here. */
    case PlannedHereIsAll = 'plannedHereIsAll';
    /** Minutes that people should have between two meetings; 0: none. Open: a meeting may say it does without. */
    case Pause = 'pauseMinutes';
    /** Hours that should lie between planning a meeting and its beginning; 0: none. */
    case Notice = 'noticeHours';
    /** Meetings that somebody should have on one day at most; null: as many as come. */
    case MostADay = 'mostADay';
    /** "09:00-11:00" of everybody's own day for work without meetings; null: none. */
    case Quiet = 'quietHours';
    /** Hours by weekday of somebody of whom nothing else is known; null: the usual ones. */
    case WorkingWeek = 'workingWeek';
    /** Minutes ahead at which calendars remind of a meeting that is planned anew; null: they do not. */
    case Reminder = 'reminderMinutes';
    /** Whether people of a meeting that is planned anew are hidden from each other: `guests` (where some are from outside), `always`, `never`. */
    case HidesPeople = 'hidesPeople';
    /** From so many people on, adding a team asks back. */
    case LargeTeam = 'largeTeam';
    /** Outside guests whom nobody met for so many months are forgotten; null: never. */
    case ForgetGuests = 'forgetGuestsMonths';
    /** Seconds in which what was sent can be taken back, before it leaves; 0: it leaves at once. */
    case Hold = 'holdSeconds';
    /** Messages are kept for so many months after their meeting; null: for good. */
    case KeepMessages = 'keepMessagesMonths';
    /** "host:port" within the own network from which calendars may be read all the same. */
    case FeedHosts = 'feedHosts';
    /** The largest file that can hang on a meeting, in megabytes. */
    case FileSize = 'fileMegabytes';

    /** How rooms usually are, and what no meeting may have otherwise: {@see RoomSource}. */
    case Room = 'room';

    public function default(): mixed
    {
        return match ($this) {
            self::Organisation => config('syndex.mail_name'),
            self::Organizer => OrganizerAddress::Meeting->value,
            self::Holidays, self::PlannedHereIsAll => true,
            self::Pause, self::Notice => 0,
            self::WorkingWeek => WorkingHours::usual()->toArray(),
            self::Reminder => 15,
            self::Hold => (int) config('syndex.outbox.hold_seconds'),
            self::HidesPeople => 'guests',
            self::LargeTeam => 25,
            self::ForgetGuests, self::KeepMessages, self::MostADay, self::Quiet => null,
            self::FeedHosts => [],
            self::FileSize => 10,
            self::Room => ['usual' => [], 'locked' => []],
        };
    }

    /** Whether somebody else may decide otherwise; null: there is nobody who could. */
    public function isOpen(): ?bool
    {
        return $this === self::Holidays ? true : null;
    }

    /** @return array<string, list<mixed>> what may be entered, by field */
    public function entry(): array
    {
        return match ($this) {
            self::Organisation => [$this->value => ['sometimes', 'required', 'string', 'max:120']],
            self::Organizer => [$this->value => ['sometimes', 'required', Rule::enum(OrganizerAddress::class)]],
            self::Holidays, self::PlannedHereIsAll => [$this->value => ['sometimes', 'required', 'boolean:strict']],
            self::Pause => [$this->value => ['sometimes', 'required', 'integer', 'between:0,120']],
            self::Notice => [$this->value => ['sometimes', 'required', 'integer', 'between:0,336']],
            self::MostADay => [$this->value => ['sometimes', 'nullable', 'integer', 'between:1,20']],
            self::Quiet => [$this->value => ['sometimes', 'nullable', 'string', 'regex:/\A(?:[01]\d|2[0-3]):[0-5]\d-(?:(?:[01]\d|2[0-3]):[0-5]\d|24:00)\z/', static function (string $field, mixed $value, \Closure $fail): void {
                if (is_string($value) && strcmp(substr($value, 0, 5), substr($value, 6)) >= 0) {
                    $fail(__('planning.end_not_after_start'));
                }
            }]],
            self::WorkingWeek => [
                $this->value => ['sometimes', 'required', 'array', 'min:1', 'max:7', static function (string $field, mixed $value, \Closure $fail): void {
                    try {
                        WorkingHours::of(array_map(static fn(mixed $day): array => array_map(static fn(mixed $stretch): array => is_array($stretch) && array_is_list($stretch) && count($stretch) === 2 && is_string($stretch[0]) && is_string($stretch[1]) ? $stretch : ['', ''], is_array($day) ? array_values($day) : ['']), (array) $value));
                    } catch (InvalidHours) {
                        $fail(__('people.hours_form'));
                    }
                }],
            ],
            self::Reminder => [$this->value => ['sometimes', 'nullable', 'integer', 'between:0,40320']],
            self::HidesPeople => [$this->value => ['sometimes', 'required', Rule::in(['guests', 'always', 'never'])]],
            self::Hold => [$this->value => ['sometimes', 'required', 'integer', 'between:0,60']],
            self::LargeTeam => [$this->value => ['sometimes', 'required', 'integer', 'between:2,100000']],
            self::ForgetGuests, self::KeepMessages => [$this->value => ['sometimes', 'nullable', 'integer', 'between:1,600']],
            self::FeedHosts => [$this->value => ['sometimes', 'array', 'list', 'max:50'], "$this->value.*" => ['required', 'string', 'max:260', 'regex:/\A(?:\[[0-9a-fA-F:.]+\]|[A-Za-z0-9](?:[A-Za-z0-9.-]*[A-Za-z0-9])?):[1-9][0-9]{0,4}\z/']],
            self::FileSize => [$this->value => ['sometimes', 'required', 'integer', 'between:1,50']],
            self::Room => RoomEntry::rules($this->value),
        };
    }
}

<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Planning\EntryChoices;
use App\Planning\Meeting;
use App\Planning\RoomChoices;

/** What differs between two states of a meeting beside what its people read: told to whoever plans it, by name. */
final class DescribeRules
{
    /** What is said in words of its own. */
    private const SAID = ['settings', 'changing', 'inviting'];

    /** What differs in the room; empty where nothing does. */
    public static function ofRoom(Meeting $was, Meeting $now): string
    {
        return self::listed('room.settings', ...array_map(static function (Meeting $meeting): array {
            $room = RoomChoices::of($meeting);

            return [...$room->settings, ...array_diff_key($room->wire(), array_flip(self::SAID))];
        }, [$was, $now]));
    }

    /** What differs in the entries of calendars. */
    public static function ofCalendar(Meeting $was, Meeting $now): string
    {
        return self::listed('room.calendar', EntryChoices::of($was)->wire(), EntryChoices::of($now)->wire());
    }

    /** What those may do who attend. */
    public static function rights(Meeting $meeting): string
    {
        $parts = RoomChoices::of($meeting)->parts;

        return __('room.may.change', ['who' => __("room.may.{$parts->changing->value}")]) . '; ' . __('room.may.invite', ['who' => __("room.may.{$parts->inviting->value}")]);
    }

    /**
     * @param  array<string, mixed>  $was
     * @param  array<string, mixed>  $now
     */
    private static function listed(string $words, array $was, array $now): string
    {
        $names = array_filter(array_keys($was + $now), static fn(string $name): bool => ($was[$name] ?? null) !== ($now[$name] ?? null));

        return implode(', ', array_map(static fn(string $name): string => __("$words.$name"), $names));
    }
}

<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Person;
use App\People\PersonKind;
use App\Planning\JoinMode;
use App\Planning\RoomParts;
use Syndex\Core\Joining\ArrivesAs;
use Syndex\Core\Joining\EntryForecast;
use Syndex\Core\Joining\EntryOutcome;
use Syndex\Core\Joining\EntryReason;
use Syndex\Core\Joining\Expected;
use Syndex\Core\Joining\RoomSetting;
use Syndex\Core\Joining\WayIn;

/** What a recipient needs to know of getting in: what concerns them, and nothing else. */
final class EntryWords
{
    /** @return list<string> */
    public static function of(MeetingAsTold $told, Person $reader, LetterWords $words): array
    {
        $room = $told->room;
        if ($room === null || !$told->meeting->join_mode->hasKit() || $told->meeting->kit === null) {
            return [];
        }
        $who = match (true) {
            $reader->id === $told->meeting->host_id => ArrivesAs::Host,
            in_array($reader->id, $told->meeting->room['coHosts'] ?? [], true), $reader->id === ($told->meeting->room['standIn'] ?? null) => ArrivesAs::CoHost,
            $reader->kind === PersonKind::Guest => ArrivesAs::Guest,
            default => ArrivesAs::Colleague,
        };
        $parts = RoomParts::read($told->meeting->room ?? []);
        $part = self::part($parts, $reader, $words);
        if ($told->meeting->join_mode === JoinMode::Both && in_array($reader->id, $parts->inRoom, true)) {
            return [$words->say('room_in_place'), ...$part];
        }
        $reason = $told->meeting->room['reason'] ?? null;
        $recorded = $room->is(RoomSetting::Recording) ? [$reason === null ? $words->say('room_recorded') : $words->say('room_recorded_for', ['reason' => $reason])] : [];
        if ($who->runsIt()) {
            return [$words->say('room_opens', ['n' => max((int) $room->number(RoomSetting::Opens), (int) $room->number(RoomSetting::Doors))]), ...$part, ...$recorded];
        }
        $doors = (int) $room->number(RoomSetting::Doors);
        $expected = new Expected($reader->id, $who, WayIn::Link, $who === ArrivesAs::Colleague, null);
        $early = (new EntryForecast($room->entry(), 1))->answer($expected, -$doors);
        $later = (new EntryForecast($room->entry(), 0))->answer($expected, 0);
        $lock = $room->number(RoomSetting::Lock);

        return array_values(array_filter([
            $words->say('room_doors', ['n' => $doors]),
            $early->reason === EntryReason::NoHost ? $words->say($early->outcome === EntryOutcome::Lobby ? 'room_before_host' : 'room_wait') : null,
            $later->reason === EntryReason::Lobby ? $words->say('room_lobby') : null,
            $room->is(RoomSetting::SignIn) ? $words->say('room_sign_in') : null,
            $lock === null ? null : $words->say('room_lock', ['n' => $lock]),
            ...$part,
            ...$recorded,
        ]));
    }

    /** @return list<string> what somebody has to do beside being there, and what they need to know of it */
    private static function part(RoomParts $parts, Person $reader, LetterWords $words): array
    {
        $name = static fn(string $language): string => (string) \Locale::getDisplayLanguage($language, $words->language->tag);
        $interprets = array_values(array_filter($parts->interpreters, static fn(array $i): bool => $i['personId'] === $reader->id));
        $languages = array_values(array_unique(array_merge([], ...array_map(static fn(array $i): array => [$i['from'], $i['to']], $parts->interpreters))));
        $small = array_values(array_filter($parts->smallRooms, static fn(array $room): bool => in_array($reader->id, $room['people'], true)));

        return [
            ...($parts->standIn === $reader->id ? [$words->say('room_stand_in')] : []),
            ...array_map(static fn(array $i): string => $words->say('room_interprets', ['from' => $name($i['from']), 'to' => $name($i['to'])]), $interprets),
            ...($languages === [] ? [] : [$words->say('room_interpreted', ['languages' => implode(', ', array_map($name, $languages))])]),
            ...($small === [] ? [] : [$words->say('room_small', ['name' => $small[0]['name']])]),
        ];
    }
}

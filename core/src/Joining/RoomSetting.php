<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/**
 * What can be settled of a room before anybody comes: who gets in, and what is so in the room.
 *
 * Each knows which of two values is the stricter one: where a house and a team both lock it, that one holds.
 */
enum RoomSetting: string
{
    /** Minutes ahead of the start from which a host may open. */
    case Opens = 'opens';
    /** Minutes ahead of the start from which everybody else may come. */
    case Doors = 'doors';
    case BeforeHost = 'beforeHost';
    /** List of {@see LobbyHolds}. */
    case Lobby = 'lobby';
    case InvitedOnly = 'invitedOnly';
    case SignIn = 'signIn';
    case Passcode = 'passcode';
    /** Signs that a passcode has at least. */
    case PasscodeLength = 'passcodeLength';
    /** Whether the passcode is in the link, for one press. */
    case PasscodeInLink = 'passcodeInLink';
    /** Whether a picture of the link, for telephones that read it, hangs on the invitation. */
    case LinkPicture = 'linkPicture';
    /** {@see CountryRule}: null, or `allow` or `refuse` with a list. */
    case Countries = 'countries';
    case Capacity = 'capacity';
    /** Minutes after the start from which nobody comes in any more; null: never. */
    case Lock = 'lock';
    /** Whether people can be seen; false: they are heard only. */
    case Video = 'video';
    /** By what people hear and speak. */
    case Audio = 'audio';
    case Cameras = 'cameras';
    case Microphones = 'microphones';
    case Screens = 'screens';
    case Chat = 'chat';
    case Captions = 'captions';
    case ArrivalSound = 'arrivalSound';
    case Recording = 'recording';
    /** The viewer's name, laid over the picture. */
    case NameMark = 'nameMark';
    /** Whether people may change the name that others see. */
    case Renaming = 'renaming';

    /** Countries whose numbers are given too, though nobody is there. */
    case PhonesAlso = 'phonesAlso';
    /** Countries whose numbers are left out. */
    case PhonesNot = 'phonesNot';

    private const A_DAY = 1440;

    private const MOST_PEOPLE = 100_000;

    public function default(): mixed
    {
        return match ($this) {
            self::Opens => 60,
            self::PasscodeLength => 8,
            self::Doors => 10,
            self::BeforeHost => BeforeHost::Lobby->value,
            self::Lobby => [LobbyHolds::Guests->value],
            self::Cameras, self::Microphones => 'own',
            self::Screens => 'presenters',
            self::Chat => 'everyone',
            self::Audio => 'both',
            self::Video, self::InvitedOnly, self::Passcode, self::PasscodeInLink, self::Captions, self::Renaming => true,
            self::SignIn, self::ArrivalSound, self::Recording, self::NameMark, self::LinkPicture => false,
            self::Countries, self::Capacity, self::Lock => null,
            self::PhonesAlso, self::PhonesNot => [],
        };
    }

    /** Whether a value can be one of this setting at all. */
    public function takes(mixed $value): bool
    {
        return match ($this) {
            self::Opens, self::Doors => is_int($value) && $value >= 0 && $value <= self::A_DAY,
            self::PasscodeLength => is_int($value) && $value >= Passcode::LEAST && $value <= Passcode::MOST,
            self::Lock => $value === null || (is_int($value) && $value >= 0 && $value <= self::A_DAY),
            self::Capacity => $value === null || (is_int($value) && $value >= 1 && $value <= self::MOST_PEOPLE),
            self::Lobby => is_array($value) && array_is_list($value) && count($value) <= count(LobbyHolds::cases()) && array_filter($value, static fn(mixed $v): bool => !is_string($v) || LobbyHolds::tryFrom($v) === null) === [],
            self::Countries => $value === null || CountryRule::read($value) !== null,
            self::PhonesAlso, self::PhonesNot => CountryRule::read(['allow' => $value]) !== null,
            default => $this->order() === [] ? is_bool($value) : in_array($value, $this->order(), true),
        };
    }

    /** The stricter of two values: fewer people, later, less of it. */
    public function stricter(mixed $one, mixed $other): mixed
    {
        return match ($this) {
            self::Opens, self::Doors => min($one, $other),
            self::PasscodeLength => max($one, $other),
            self::Capacity, self::Lock => $one === null || $other === null ? $one ?? $other : min($one, $other),
            self::Lobby => array_values(array_filter(array_column(LobbyHolds::cases(), 'value'), static fn(string $held): bool => in_array($held, (array) $one, true) || in_array($held, (array) $other, true))),
            self::PhonesAlso, self::PhonesNot => array_values(array_unique([...self::codes($one), ...self::codes($other)])),
            self::Countries => self::countries(CountryRule::read($one), CountryRule::read($other)),
            self::InvitedOnly, self::SignIn, self::Passcode, self::Captions, self::ArrivalSound, self::NameMark => $one === true || $other === true,
            self::Video, self::PasscodeInLink, self::LinkPicture, self::Recording, self::Renaming => $one === true && $other === true,
            default => array_search($one, $this->order(), true) <= array_search($other, $this->order(), true) ? $one : $other,
        };
    }

    /** What the bridge must be able to do for it; null: any can. */
    public function feature(): ?string
    {
        return match ($this) {
            self::Captions => 'captions',
            self::Recording => 'recording',
            self::NameMark => 'name_mark',
            self::Countries => 'countries',
            self::SignIn => 'sign_in',
            default => null,
        };
    }

    /** @return list<string> the strictest first; empty: it is not a choice of words */
    private function order(): array
    {
        return match ($this) {
            self::BeforeHost => [BeforeHost::Wait->value, BeforeHost::Lobby->value, BeforeHost::Enter->value],
            self::Cameras, self::Microphones => ['off', 'own', 'on'],
            self::Screens => ['hosts', 'presenters', 'everyone'],
            self::Chat => ['off', 'hosts', 'everyone'],
            self::Audio => ['computer', 'phone', 'both'],
            default => [],
        };
    }

    /** @return ?array<string, list<string>> */
    private static function countries(?CountryRule $one, ?CountryRule $other): ?array
    {
        return ($one !== null && $other !== null ? $one->and($other) : $one ?? $other)?->toArray();
    }

    /** @return list<string> */
    private static function codes(mixed $given): array
    {
        return CountryRule::read(['allow' => $given])->countries ?? [];
    }
}

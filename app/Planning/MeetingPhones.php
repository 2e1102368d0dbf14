<?php

declare(strict_types=1);

namespace App\Planning;

use App\Joining\GivenKit;
use App\People\Countries;
use App\People\Whereabouts;
use Syndex\Core\Joining\DialIn;
use Syndex\Core\Joining\DialInChoice;
use Syndex\Core\Joining\PhoneText;
use Syndex\Core\Joining\RoomRules;
use Syndex\Core\Joining\RoomSetting;
use Syndex\Core\Time\ZoneCountries;

/** The telephone numbers of a meeting: of all that the bridge has, those that its people need. */
final readonly class MeetingPhones
{
    public function __construct(private Whereabouts $whereabouts) {}

    /** @return list<array{country: string, number: string, uri: string, dials: string}> as people abroad read them, each with the country by name */
    public function of(Meeting $meeting, RoomRules $rules): array
    {
        if (!self::areGiven($meeting, $rules) || $meeting->kit === null) {
            return [];
        }
        $given = GivenKit::under($meeting->kit, $rules);
        $numbers = array_map(static fn(array $d): DialIn => DialIn::of($d['country'], $d['number'], $d['free'] ?? false), $meeting->kit->dial_ins);
        $people = array_map(static fn(array $about): ?string => $about['country'], $this->whereabouts->of(array_values($meeting->attendees->map(static fn(Attendee $a): string => $a->person_id)->all())));
        $chosen = self::choose($numbers, $people, $rules);
        $lines = [];
        foreach ($chosen as $one) {
            foreach ($one->numbers as $number) {
                $lines[$number->number] = ['country' => Countries::named($number->country), 'number' => PhoneText::of($number->number), 'uri' => $number->uri(), 'dials' => $number->dialsOn($given->number, $given->pin)];
            }
        }

        return array_values($lines);
    }

    /** Not where people hear and speak by computer alone; always where there is nothing but the telephone. */
    public static function areGiven(Meeting $meeting, ?RoomRules $rules): bool
    {
        return $meeting->join_mode === JoinMode::Phone || $rules?->value(RoomSetting::Audio) !== 'computer';
    }

    /**
     * @param  list<DialIn>  $numbers  that the bridge has
     * @param  array<string, ?string>  $people  the country of each
     * @return list<\Syndex\Core\Joining\ChosenCountry>
     */
    public static function choose(array $numbers, array $people, RoomRules $rules): array
    {
        return (new DialInChoice($numbers, ZoneCountries::places()))->of($people, $rules->texts(RoomSetting::PhonesAlso), $rules->texts(RoomSetting::PhonesNot));
    }
}

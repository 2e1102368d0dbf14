<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Joining\GivenKit;
use App\People\Person;
use App\Planning\MeetingPhones;
use Syndex\Core\Joining\ChosenCountry;
use Syndex\Core\Joining\DialIn;
use Syndex\Core\Joining\PhoneText;
use Syndex\Core\Joining\RoomRules;
use Syndex\Core\Time\ZoneCountries;

/**
 * The telephone numbers that one recipient reads: those of where they are, and those that the coordinator adds for all. What others
 * need stands with them, so that nobody is told anew when somebody from elsewhere is asked.
 */
final class PhonesFor
{
    /** @return ?string the country whose numbers somebody needs; of whom it is not known, the anchor's */
    public static function country(MeetingAsTold $told, ?Person $reader): ?string
    {
        return $reader->country ?? ($reader?->zone === null ? null : ZoneCountries::of($reader->zone)) ?? ZoneCountries::of($told->meeting->zone);
    }

    /** @return list<array{uri: string, text: string, dials: string, dialsUri: string}> in the reader's language */
    public static function of(MeetingAsTold $told, ?string $country, LetterWords $words): array
    {
        if (!MeetingPhones::areGiven($told->meeting, $told->room)) {
            return [];
        }
        $numbers = array_map(static fn(array $d): DialIn => DialIn::of($d['country'], $d['number'], $d['free'] ?? false), $told->meeting->kit->dial_ins ?? []);
        $chosen = MeetingPhones::choose($numbers, ['reader' => $country], $told->room ?? RoomRules::of([]));
        $lines = [];
        $kit = $told->meeting->kit === null ? null : GivenKit::under($told->meeting->kit, $told->room);
        foreach ($chosen as $one) {
            foreach ($one->numbers as $number) {
                $dials = $kit === null ? $number->number : $number->dialsOn($kit->number, $kit->pin);
                $lines[] = ['uri' => $number->uri(), 'text' => self::text($one, $number, $words), 'dials' => $words->say('phone_dials', ['string' => $words->leftToRight($dials)]), 'dialsUri' => 'tel:' . str_replace('#', '%23', $dials)];
            }
        }

        return $lines;
    }

    private static function text(ChosenCountry $chosen, DialIn $number, LetterWords $words): string
    {
        $place = static fn(string $code): string => (string) \Locale::getDisplayRegion("und-$code", $words->language->tag);
        $isOwn = $chosen->from === $chosen->country;
        // Whoever is asked for their own country reads it as it is dialled there; others, with the country's code.
        $digits = $words->leftToRight($isOwn && $chosen->people !== [] ? PhoneText::national($number->number) : PhoneText::of($number->number));

        return match (true) {
            !$isOwn => $words->say('phone_nearest', ['number' => $digits, 'country' => $place($chosen->from), 'own' => $place($chosen->country)]),
            $number->free => $words->say('phone_free', ['number' => $digits, 'country' => $place($chosen->country)]),
            default => $words->say('phone', ['number' => $digits, 'country' => $place($chosen->country)]),
        };
    }
}

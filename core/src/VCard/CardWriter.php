<?php

declare(strict_types=1);

namespace Syndex\Core\VCard;

use Syndex\Core\ICalendar\ContentLine;

/** Writes a vCard of version 3.0 (RFC 2426) or 4.0 (RFC 6350). */
final class CardWriter
{
    /** @param '3.0'|'4.0' $version */
    public static function write(Card $card, string $version): string
    {
        $isFour = $version === '4.0';
        $name = $card->name ?? $card->email ?? '';
        [$given, $family] = self::split($name);
        $lines = [
            'BEGIN:VCARD' . "\r\n",
            "VERSION:$version\r\n",
            ContentLine::text('FN', $name),
            // Both must be there in 3.0 (RFC 2426 3.1.2); the parts are a guess, so 4.0, which can do without, has none.
            ...($isFour ? [] : [ContentLine::of('N', ContentLine::escaped($family) . ';' . ContentLine::escaped($given) . ';;;')]),
            ...($card->email === null ? [] : [ContentLine::text('EMAIL', $card->email, $isFour ? ['PREF' => '1'] : ['TYPE' => 'internet,pref'])]),
            ...($card->title === null ? [] : [ContentLine::text('TITLE', $card->title)]),
            ...($card->phone === null ? [] : [$isFour ? ContentLine::of('TEL', "tel:$card->phone", ['VALUE' => 'uri']) : ContentLine::text('TEL', $card->phone)]),
            ...($card->zone === null ? [] : [ContentLine::text('TZ', $card->zone, ['VALUE' => 'text'])]),
            ...($card->language === null || !$isFour ? [] : [ContentLine::of('LANG', $card->language)]),
            ...($card->country === null ? [] : [ContentLine::of('ADR', ';;;;;;' . ContentLine::escaped($card->country))]),
            ...($card->categories === [] ? [] : [ContentLine::of('CATEGORIES', implode(',', array_map(ContentLine::escaped(...), $card->categories)))]),
            'END:VCARD' . "\r\n",
        ];

        return implode('', $lines);
    }

    /** @return array{string, string} given and family name, the latter the last word */
    private static function split(string $name): array
    {
        $at = mb_strrpos($name, ' ');

        return $at === false ? [$name, ''] : [mb_substr($name, 0, $at), mb_substr($name, $at + 1)];
    }
}

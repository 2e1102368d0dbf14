<?php

declare(strict_types=1);

use Sabre\VObject\Component\VCard;
use Sabre\VObject\Reader;
use Syndex\Core\VCard\Card;
use Syndex\Core\VCard\CardReader;
use Syndex\Core\VCard\CardWriter;

$cards = static fn(string $text): array => array_values(iterator_to_array(CardReader::cards([$text])));

it('reads cards as they are written', function (string $text, Card $card) use ($cards): void {
    expect($cards("BEGIN:VCARD\r\n$text\r\nEND:VCARD\r\n"))->toEqual([$card]);
})->with([
    'version 3, types and groups' => ["VERSION:3.0\r\nN:Varela;Inês;;;\r\nitem1.EMAIL;TYPE=INTERNET:old@x.example\r\nEMAIL;TYPE=internet,pref:ines@x.example\r\nTEL;TYPE=work:+351 21 555 0142\r\nADR;TYPE=work:;;Rua 1;Lisboa;;1000;Portugal\r\nTZ:Europe/Lisbon", new Card('Inês Varela', 'ines@x.example', 'Europe/Lisbon', null, 'Portugal', '+351 21 555 0142')],
    'version 4, preferences' => ["VERSION:4.0\r\nFN:Corin Hale\r\nEMAIL;PREF=2:b@x.example\r\nEMAIL;PREF=1:a@x.example\r\nTEL;VALUE=uri:tel:+61-8-5550-1234;ext=7\r\nLANG;PREF=1:en-AU\r\nTITLE:Trials\\, dryland\r\nCATEGORIES:Growers,Dry\\,land\r\nFBURL:https://cal.example/busy.ifb", new Card('Corin Hale', 'a@x.example', null, 'en-AU', null, '+61-8-5550-1234', 'Trials, dryland', ['Growers', 'Dry,land'], 'https://cal.example/busy.ifb')],
    'folded, in old letters' => ["VERSION:3.0\r\nFN:Ren\xE9 of a v\r\n ery long name\r\nEMAIL:r@x.example", new Card('René of a very long name', 'r@x.example')],
    'nothing but an address' => ["VERSION:4.0\r\nEMAIL:a@x.example", new Card(null, 'a@x.example')],
    'with a picture' => ["VERSION:3.0\r\nFN:A\r\nPHOTO;ENCODING=b;TYPE=JPEG:" . str_repeat("\r\n QUJD", 2000) . "\r\nEMAIL:a@x.example", new Card('A', 'a@x.example')],
    // RFC 6350 8, the example of the author, shortened to what is read here.
    'the example of RFC 6350' => ["VERSION:4.0\r\nFN:Simon Perreault\r\nN:Perreault;Simon;;;ing. jr,M.Sc.\r\nBDAY:--0203\r\nGENDER:M\r\nLANG;PREF=1:fr\r\nLANG;PREF=2:en\r\nORG;TYPE=work:Viagenie\r\nADR;TYPE=work:;Suite D2-630;2875 Laurier;Quebec;QC;G1V 2M2;Canada\r\nTEL;VALUE=uri;TYPE=\"work,voice\";PREF=1:tel:+1-418-656-9254;ext=102\r\nEMAIL;TYPE=work:simon@viagenie.example\r\nTZ:-0500", new Card('Simon Perreault', 'simon@viagenie.example', '-0500', 'fr', 'Canada', '+1-418-656-9254')],
]);

it('goes on after a card that is broken', function () use ($cards): void {
    $found = $cards("BEGIN:VCARD\nFN:A\nnonsense\n:::\nEMAIL:a@x.example\nEND:VCARD\nrubbish\nBEGIN:VCARD\nFN:B\nBEGIN:VCARD\nFN:C\nEMAIL:c@x.example\nEND:VCARD\n");
    expect(array_map(static fn(Card $c): ?string => $c->email, $found))->toBe(['a@x.example', 'c@x.example']);
});

// Read back by sabre/vobject.
it('writes cards that others read', function (string $version, Card $card) use ($cards): void {
    $written = CardWriter::write($card, $version);
    $read = Reader::read($written);
    assert($read instanceof VCard);

    // That a UID is recommended is no fault.
    expect(array_column(array_filter($read->validate(), static fn(array $f): bool => $f['level'] > 2), 'message'))->toBe([])
        ->and((string) $read->VERSION)->toBe($version)
        ->and((string) $read->FN)->toBe($card->name ?? $card->email)
        ->and((string) $read->EMAIL)->toBe($card->email)
        ->and((string) ($read->TITLE ?? ''))->toBe((string) $card->title)
        ->and(isset($read->CATEGORIES) ? $read->CATEGORIES->getParts() : [])->toBe($card->categories)
        ->and(isset($read->ADR) ? $read->ADR->getParts()[6] : null)->toBe($card->country)
        ->and(str_replace('tel:', '', (string) ($read->TEL ?? '')))->toBe((string) $card->phone)
        // And by ourselves; version 3.0 has no place for a language.
        ->and($cards($written))->toEqual([$version === '4.0' ? new Card($card->name ?? $card->email, $card->email, $card->zone, $card->language, $card->country, $card->phone, $card->title, $card->categories) : new Card($card->name ?? $card->email, $card->email, $card->zone, null, $card->country, $card->phone, $card->title, $card->categories)]);
})->with(['3.0', '4.0'])->with([
    'everything' => [new Card('Inês "Nini" Varela; Dr., äöü 漢字', 'ines@x.example', 'Europe/Lisbon', 'pt', 'Portugal', '+351215550142', "Seed bank,\nsection; 2", ['Growers', 'Cold, very cold'])],
    'little' => [new Card(null, 'a@x.example')],
    'long' => [new Card(str_repeat('Wörter ', 25) . 'Ende', 'a@x.example')],
]);

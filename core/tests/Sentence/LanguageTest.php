<?php

declare(strict_types=1);

use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Sentence\Catalogue;
use Syndex\Core\Sentence\Language;
use Syndex\Core\Tests;
use Syndex\Core\Time\WallTime;

function language(string $tag): Language
{
    return Language::of($tag) ?? throw new LogicException("no $tag");
}

it('has every text in every language, and each is a pattern', function (): void {
    $english = language('en')->keys();
    foreach (Language::TAGS as $tag) {
        expect(language($tag)->keys())->toBe($english, $tag);
    }
});

it('finds a language by the first part of its tag, and none where it is not ours', function (?string $tag, ?string $found): void {
    expect(Language::of($tag)?->tag)->toBe($found);
})->with([['pt-BR', 'pt'], ['JA_jp', 'ja'], ['ar-AE', 'ar'], ['sw', null], [null, null], ['', null]]);

/** Written by hand after the grammar of each language; names of days and months are CLDR's. */
it('says when and how often', function (string $rule, array $said): void {
    foreach ($said as $tag => $sentence) {
        expect(language($tag)->sentence(Tests\series('2026-12-01T15:30:00', 'Africa/Nairobi', $rule === '' ? null : $rule), 45))->toBe($sentence, $tag);
    }
})->with([
    'once' => ['', [
        'de' => 'Dienstag, 1. Dezember 2026 um 15:30 Uhr (Zeit in Nairobi), 45 Minuten',
        'fr' => 'mardi 1er décembre 2026 à 15:30 (fuseau horaire : Nairobi), 45 minutes',
        'es' => 'martes, 1 de diciembre de 2026 a las 15:30 (hora de Nairobi), 45 minutos',
        'pt' => 'terça-feira, 1 de dezembro de 2026 às 15:30 (fuso horário: Nairóbi), 45 minutos',
        'ja' => '2026年12月1日火曜日 15:30（ナイロビ時間）、45分',
        'ar' => 'الثلاثاء، 1 ديسمبر 2026 الساعة 15:30 (بتوقيت نيروبي)، المدة 45 دقيقة',
    ]],
    'on two days of every second week, twelve times' => ['FREQ=WEEKLY;INTERVAL=2;BYDAY=TU,SA;COUNT=12', [
        'de' => 'alle 2 Wochen am Dienstag und Samstag um 15:30 Uhr (Zeit in Nairobi), 45 Minuten, ab dem 1. Dezember 2026, 12 Mal',
        'fr' => 'toutes les 2 semaines le mardi et le samedi à 15:30 (fuseau horaire : Nairobi), 45 minutes, à partir du 1er décembre 2026, 12 fois',
        'es' => 'cada 2 semanas el martes y el sábado a las 15:30 (hora de Nairobi), 45 minutos, a partir del 1 de diciembre de 2026, 12 veces',
        'pt' => 'a cada 2 semanas na terça-feira e no sábado às 15:30 (fuso horário: Nairóbi), 45 minutos, a partir de 1 de dezembro de 2026, 12 vezes',
        'ja' => '隔週火曜日と土曜日 15:30（ナイロビ時間）、45分、2026年12月1日から全12回',
        'ar' => 'كل أسبوعين يوم الثلاثاء ويوم السبت الساعة 15:30 (بتوقيت نيروبي)، المدة 45 دقيقة، ابتداءً من 1 ديسمبر 2026، 12 مرة',
    ]],
    'on the first Tuesday of every third month, until a day' => ['FREQ=MONTHLY;INTERVAL=3;BYDAY=1TU;UNTIL=20271231T000000Z', [
        'de' => 'alle 3 Monate am ersten Dienstag um 15:30 Uhr (Zeit in Nairobi), 45 Minuten, ab dem 1. Dezember 2026 bis zum 31. Dezember 2027',
        'pt' => 'a cada 3 meses na primeira terça-feira às 15:30 (fuso horário: Nairóbi), 45 minutos, a partir de 1 de dezembro de 2026 até 31 de dezembro de 2027',
        'ja' => '3か月ごとの第1火曜日 15:30（ナイロビ時間）、45分、2026年12月1日から2027年12月31日まで',
        'ar' => 'يوم الثلاثاء الأول كل 3 أشهر الساعة 15:30 (بتوقيت نيروبي)، المدة 45 دقيقة، ابتداءً من 1 ديسمبر 2026 حتى 31 ديسمبر 2027',
    ]],
    'on the last Sunday of every month, without end' => ['FREQ=MONTHLY;BYDAY=-1SU', [
        'fr' => 'chaque mois le dernier dimanche à 15:30 (fuseau horaire : Nairobi), 45 minutes, à partir du 27 décembre 2026 sans fin',
        'pt' => 'todos os meses no último domingo às 15:30 (fuso horário: Nairóbi), 45 minutos, a partir de 27 de dezembro de 2026 sem fim',
    ]],
    'once a year' => ['FREQ=YEARLY;BYMONTH=12;BYMONTHDAY=1', [
        'de' => 'jedes Jahr am 1. Dezember um 15:30 Uhr (Zeit in Nairobi), 45 Minuten, ab dem 1. Dezember 2026 ohne Ende',
        'ja' => '毎年12月1日 15:30（ナイロビ時間）、45分、2026年12月1日から期限なし',
    ]],
    'a rule for which there are no words is said by its dates' => ['FREQ=MONTHLY;BYDAY=MO,TU;BYSETPOS=2;COUNT=2', [
        'fr' => 'le 7 décembre 2026 et le 5 janvier 2027 à 15:30 (fuseau horaire : Nairobi), 45 minutes',
        'ar' => '7 ديسمبر 2026 و5 يناير 2027 الساعة 15:30 (بتوقيت نيروبي)، المدة 45 دقيقة',
    ]],
]);

it('names single dates and whole days', function (): void {
    $series = Tests\series('2026-12-01T15:30:00', 'Africa/Nairobi', 'FREQ=WEEKLY;COUNT=4');
    $series = $series->withDates($series->start, $series->rule, [WallTime::parse('2026-12-17T10:00:00')], [WallTime::parse('2026-12-08T15:30:00'), WallTime::parse('2026-12-15T15:30:00')]);
    expect(language('es')->sentence($series, 45))->toEndWith('4 veces, excepto el 8 de diciembre de 2026 y el 15 de diciembre de 2026, y también el 17 de diciembre de 2026 a las 10:00')
        ->and(language('de')->sentence(Series::allDay(WallTime::parseDate('2026-12-01'), RuleParser::parse('FREQ=DAILY;INTERVAL=7;COUNT=3')), 2880))->toBe('alle 7 Tage, 2 ganze Tage, ab dem 1. Dezember 2026, 3 Mal');
});

/** Plural rules of CLDR 42: Arabic has six forms, of which these show five. */
it('counts by the rules of each language', function (string $tag, array $said): void {
    foreach ($said as $minutes => $text) {
        expect(language($tag)->length($minutes))->toBe($text);
    }
})->with([
    ['ar', [1 => 'دقيقة واحدة', 2 => 'دقيقتان', 5 => '5 دقائق', 15 => '15 دقيقة', 60 => 'ساعة واحدة', 120 => 'ساعتان', 180 => '3 ساعات', 150 => 'ساعتان و30 دقيقة']],
    ['fr', [1 => '1 minute', 90 => '90 minutes', 150 => '2 heures et 30 minutes']],
    ['ja', [45 => '45分', 150 => '2時間30分']],
    ['en', [45 => '45 minutes', 60 => '1 hour', 150 => '2 hours and 30 minutes']],
]);

it('says plainly what is missing or is no pattern', function (): void {
    $texts = new Catalogue('de', ['good' => '{n, plural, one {# Tag} other {# Tage}}', 'bad' => '{n, plural']);
    expect($texts->say('good', ['n' => 2]))->toBe('2 Tage')
        ->and(static fn() => $texts->say('other'))->toThrow(LogicException::class, 'no text other')
        ->and(static fn() => $texts->say('bad'))->toThrow(IntlException::class);
});

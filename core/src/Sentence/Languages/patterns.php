<?php

declare(strict_types=1);

/**
 * Patterns of dates by language, in the letters of CLDR (UTS 35, Dates). After the forms that CLDR gives for the same fields; written
 * out, so that they stay as they are with another release of it.
 */
return [
    'all' => ['clock' => 'HH:mm', 'clock_seconds' => 'HH:mm:ss', 'weekday' => 'EEEE'],
    'en' => ['weekday_date' => 'EEEE d MMMM y', 'short_date' => 'EEE d LLL y', 'date' => 'd MMMM y', 'day_month' => 'd MMMM'],
    'de' => ['weekday_date' => 'EEEE, d. MMMM y', 'short_date' => 'EEE, d. MMM y', 'date' => 'd. MMMM y', 'day_month' => 'd. MMMM'],
    'fr' => ['weekday_date' => 'EEEE d MMMM y', 'short_date' => 'EEE d MMM y', 'date' => 'd MMMM y', 'day_month' => 'd MMMM'],
    'es' => ['weekday_date' => "EEEE, d 'de' MMMM 'de' y", 'short_date' => 'EEE, d MMM y', 'date' => "d 'de' MMMM 'de' y", 'day_month' => "d 'de' MMMM"],
    'pt' => ['weekday_date' => "EEEE, d 'de' MMMM 'de' y", 'short_date' => "EEE, d 'de' MMM 'de' y", 'date' => "d 'de' MMMM 'de' y", 'day_month' => "d 'de' MMMM"],
    'ja' => ['weekday_date' => 'y年M月d日EEEE', 'short_date' => 'y年M月d日(EEE)', 'date' => 'y年M月d日', 'day_month' => 'M月d日'],
    'ar' => ['weekday_date' => 'EEEE، d MMMM y', 'short_date' => 'EEE، d MMM y', 'date' => 'd MMMM y', 'day_month' => 'd MMMM'],
];

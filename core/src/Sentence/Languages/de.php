<?php

declare(strict_types=1);

return [
    'list_two' => '{a} und {b}',
    'list_middle' => '{a}, {b}',
    'list_end' => '{a} und {b}',
    'minutes' => '{n, plural, one {# Minute} other {# Minuten}}',
    'hours' => '{n, plural, one {# Stunde} other {# Stunden}}',
    'hours_minutes' => '{hours, plural, one {# Stunde} other {# Stunden}} und {minutes, plural, one {# Minute} other {# Minuten}}',
    'all_day' => '{n, plural, =0 {ganztägig} one {ganztägig} other {# ganze Tage}}',
    'listed_date' => '{date}',
    'date_time' => '{date} um {time} Uhr',
    'on_weekday' => '{day}',
    'daily' => '{n, plural, one {jeden Tag} other {alle # Tage}}',
    'workdays' => 'an jedem Arbeitstag (Montag bis Freitag)',
    'weekly' => '{n, plural, one {jeden {days}} other {alle # Wochen am {days}}}',
    'monthly_day' => '{n, plural, one {jeden Monat} other {alle # Monate}} am {day}.',
    'monthly_last_day' => '{n, plural, one {jeden Monat} other {alle # Monate}} am letzten Tag',
    'monthly_weekday' => '{n, plural, one {jeden Monat} other {alle # Monate}} am {nth, select, 1 {ersten} 2 {zweiten} 3 {dritten} 4 {vierten} 5 {fünften} other {letzten}} {weekday}',
    'monthly_workday' => '{n, plural, one {jeden Monat} other {alle # Monate}} am letzten Arbeitstag',
    'yearly' => '{n, plural, one {jedes Jahr} other {alle # Jahre}} am {day}',
    'single' => '{date} um {time} Uhr (Zeit in {place}), {length}',
    'single_day' => '{date}, {length}',
    'series' => '{repeats} um {time} Uhr (Zeit in {place}), {length}, ab dem {start}{end, select, count {, {count, plural, one {einmal} other {# Mal}}} until { bis zum {until}} other { ohne Ende}}{has_except, select, yes {, außer am {except}} other {}}{has_also, select, yes {, außerdem am {also}} other {}}',
    'series_days' => '{repeats}, {length}, ab dem {start}{end, select, count {, {count, plural, one {einmal} other {# Mal}}} until { bis zum {until}} other { ohne Ende}}{has_except, select, yes {, außer am {except}} other {}}{has_also, select, yes {, außerdem am {also}} other {}}',
    'dates' => '{times, select, one {am {dates} um {time} Uhr} other {am {dates}}}{more, select, yes { und so weiter} other {}} (Zeit in {place}), {length}',
    'dates_days' => 'am {dates}{more, select, yes { und so weiter} other {}}, {length}',
];

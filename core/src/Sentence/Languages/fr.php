<?php

declare(strict_types=1);

return [
    'list_two' => '{a} et {b}',
    'list_middle' => '{a}, {b}',
    'list_end' => '{a} et {b}',
    'minutes' => '{n, plural, one {# minute} other {# minutes}}',
    'hours' => '{n, plural, one {# heure} other {# heures}}',
    'hours_minutes' => '{hours, plural, one {# heure} other {# heures}} et {minutes, plural, one {# minute} other {# minutes}}',
    'all_day' => '{n, plural, =0 {toute la journée} =1 {toute la journée} other {# journées entières}}',
    'listed_date' => 'le {date}',
    'date_time' => '{date} à {time}',
    'on_weekday' => 'le {day}',
    'daily' => '{n, plural, =1 {tous les jours} other {tous les # jours}}',
    'workdays' => 'chaque jour ouvré (du lundi au vendredi)',
    'weekly' => '{n, plural, =1 {chaque semaine} other {toutes les # semaines}} {days}',
    'monthly_day' => '{n, plural, =1 {chaque mois} other {tous les # mois}} le {day, select, 1 {1er} other {{day}}}',
    'monthly_last_day' => '{n, plural, =1 {chaque mois} other {tous les # mois}} le dernier jour',
    'monthly_weekday' => '{n, plural, =1 {chaque mois} other {tous les # mois}} le {nth, select, 1 {premier} 2 {deuxième} 3 {troisième} 4 {quatrième} 5 {cinquième} other {dernier}} {weekday}',
    'monthly_workday' => '{n, plural, =1 {chaque mois} other {tous les # mois}} le dernier jour ouvré',
    'yearly' => '{n, plural, =1 {chaque année} other {tous les # ans}} le {day}',
    'single' => '{date} à {time} (fuseau horaire : {place}), {length}',
    'single_day' => '{date}, {length}',
    'series' => '{repeats} à {time} (fuseau horaire : {place}), {length}, à partir du {start}{end, select, count {, {count, plural, =1 {une fois} other {# fois}}} until { jusqu’au {until}} other { sans fin}}{has_except, select, yes {, sauf {except}} other {}}{has_also, select, yes {, et aussi {also}} other {}}',
    'series_days' => '{repeats}, {length}, à partir du {start}{end, select, count {, {count, plural, =1 {une fois} other {# fois}}} until { jusqu’au {until}} other { sans fin}}{has_except, select, yes {, sauf {except}} other {}}{has_also, select, yes {, et aussi {also}} other {}}',
    'dates' => '{times, select, one {{dates} à {time}} other {{dates}}}{more, select, yes { et ainsi de suite} other {}} (fuseau horaire : {place}), {length}',
    'dates_days' => '{dates}{more, select, yes { et ainsi de suite} other {}}, {length}',
];

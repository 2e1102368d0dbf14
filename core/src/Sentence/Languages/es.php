<?php

declare(strict_types=1);

return [
    'list_two' => '{a} y {b}',
    'list_middle' => '{a}, {b}',
    'list_end' => '{a} y {b}',
    'minutes' => '{n, plural, one {# minuto} other {# minutos}}',
    'hours' => '{n, plural, one {# hora} other {# horas}}',
    'hours_minutes' => '{hours, plural, one {# hora} other {# horas}} y {minutes, plural, one {# minuto} other {# minutos}}',
    'all_day' => '{n, plural, =0 {todo el día} one {todo el día} other {# días enteros}}',
    'listed_date' => 'el {date}',
    'date_time' => '{date} a las {time}',
    'on_weekday' => 'el {day}',
    'daily' => '{n, plural, one {todos los días} other {cada # días}}',
    'workdays' => 'cada día laborable (de lunes a viernes)',
    'weekly' => '{n, plural, one {cada semana} other {cada # semanas}} {days}',
    'monthly_day' => '{n, plural, one {cada mes} other {cada # meses}} el día {day}',
    'monthly_last_day' => '{n, plural, one {cada mes} other {cada # meses}} el último día',
    'monthly_weekday' => '{n, plural, one {cada mes} other {cada # meses}} el {nth, select, 1 {primer} 2 {segundo} 3 {tercer} 4 {cuarto} 5 {quinto} other {último}} {weekday}',
    'monthly_workday' => '{n, plural, one {cada mes} other {cada # meses}} el último día laborable',
    'yearly' => '{n, plural, one {cada año} other {cada # años}} el {day}',
    'single' => '{date} a las {time} (hora de {place}), {length}',
    'single_day' => '{date}, {length}',
    'series' => '{repeats} a las {time} (hora de {place}), {length}, a partir del {start}{end, select, count {, {count, plural, one {una vez} other {# veces}}} until { hasta el {until}} other { sin fin}}{has_except, select, yes {, excepto {except}} other {}}{has_also, select, yes {, y también {also}} other {}}',
    'series_days' => '{repeats}, {length}, a partir del {start}{end, select, count {, {count, plural, one {una vez} other {# veces}}} until { hasta el {until}} other { sin fin}}{has_except, select, yes {, excepto {except}} other {}}{has_also, select, yes {, y también {also}} other {}}',
    'dates' => '{times, select, one {{dates} a las {time}} other {{dates}}}{more, select, yes { y así sucesivamente} other {}} (hora de {place}), {length}',
    'dates_days' => '{dates}{more, select, yes { y así sucesivamente} other {}}, {length}',
];

<?php

declare(strict_types=1);

return [
    'list_two' => '{a} e {b}',
    'list_middle' => '{a}, {b}',
    'list_end' => '{a} e {b}',
    'minutes' => '{n, plural, one {# minuto} other {# minutos}}',
    'hours' => '{n, plural, one {# hora} other {# horas}}',
    'hours_minutes' => '{hours, plural, one {# hora} other {# horas}} e {minutes, plural, one {# minuto} other {# minutos}}',
    'all_day' => '{n, plural, =0 {o dia todo} =1 {o dia todo} other {# dias inteiros}}',
    'listed_date' => '{date}',
    'date_time' => '{date} às {time}',
    // Saturday and Sunday are masculine.
    'on_weekday' => '{w, select, 5 {no {day}} 6 {no {day}} other {na {day}}}',
    'daily' => '{n, plural, =1 {todos os dias} other {a cada # dias}}',
    'workdays' => 'em cada dia útil (de segunda a sexta-feira)',
    'weekly' => '{n, plural, =1 {todas as semanas} other {a cada # semanas}} {days}',
    'monthly_day' => '{n, plural, =1 {todos os meses} other {a cada # meses}} no dia {day}',
    'monthly_last_day' => '{n, plural, =1 {todos os meses} other {a cada # meses}} no último dia',
    'monthly_weekday' => '{n, plural, =1 {todos os meses} other {a cada # meses}} {w, select, 5 {no {nth, select, 1 {primeiro} 2 {segundo} 3 {terceiro} 4 {quarto} 5 {quinto} other {último}}} 6 {no {nth, select, 1 {primeiro} 2 {segundo} 3 {terceiro} 4 {quarto} 5 {quinto} other {último}}} other {na {nth, select, 1 {primeira} 2 {segunda} 3 {terceira} 4 {quarta} 5 {quinta} other {última}}}} {weekday}',
    'monthly_workday' => '{n, plural, =1 {todos os meses} other {a cada # meses}} no último dia útil',
    'yearly' => '{n, plural, =1 {todos os anos} other {a cada # anos}} em {day}',
    'single' => '{date} às {time} (fuso horário: {place}), {length}',
    'single_day' => '{date}, {length}',
    'series' => '{repeats} às {time} (fuso horário: {place}), {length}, a partir de {start}{end, select, count {, {count, plural, =1 {uma vez} other {# vezes}}} until { até {until}} other { sem fim}}{has_except, select, yes {, exceto em {except}} other {}}{has_also, select, yes {, e também em {also}} other {}}',
    'series_days' => '{repeats}, {length}, a partir de {start}{end, select, count {, {count, plural, =1 {uma vez} other {# vezes}}} until { até {until}} other { sem fim}}{has_except, select, yes {, exceto em {except}} other {}}{has_also, select, yes {, e também em {also}} other {}}',
    'dates' => '{times, select, one {em {dates} às {time}} other {em {dates}}}{more, select, yes { e assim por diante} other {}} (fuso horário: {place}), {length}',
    'dates_days' => 'em {dates}{more, select, yes { e assim por diante} other {}}, {length}',
];

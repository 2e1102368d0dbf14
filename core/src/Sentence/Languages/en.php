<?php

declare(strict_types=1);

return [
    'list_two' => '{a} and {b}',
    'list_middle' => '{a}, {b}',
    'list_end' => '{a} and {b}',
    'minutes' => '{n, plural, one {# minute} other {# minutes}}',
    'hours' => '{n, plural, one {# hour} other {# hours}}',
    'hours_minutes' => '{hours, plural, one {# hour} other {# hours}} and {minutes, plural, one {# minute} other {# minutes}}',
    'all_day' => '{n, plural, =0 {all day} one {all day} other {# days, all day}}',
    'listed_date' => '{date}',
    'date_time' => '{date} at {time}',
    'on_weekday' => '{day}',
    'daily' => '{n, plural, one {every day} other {every # days}}',
    'workdays' => 'every working day (Monday to Friday)',
    'weekly' => '{n, plural, one {every {days}} =2 {every second week on {days}} other {every # weeks on {days}}}',
    'monthly_day' => '{n, plural, one {every month} other {every # months}} on day {day}',
    'monthly_last_day' => 'the last day of {n, plural, one {every month} other {every # months}}',
    'monthly_weekday' => 'the {nth, select, 1 {first} 2 {second} 3 {third} 4 {fourth} 5 {fifth} other {last}} {weekday} of {n, plural, one {every month} other {every # months}}',
    'monthly_workday' => 'the last working day of {n, plural, one {every month} other {every # months}}',
    'yearly' => '{n, plural, one {every year} other {every # years}} on {day}',
    'single' => '{date} at {time} {place} time for {length}',
    'single_day' => '{date}, {length}',
    'series' => '{repeats} at {time} {place} time for {length}, from {start}{end, select, count {, {count, plural, one {once} other {# times}}} until { until {until}} other { with no end}}{has_except, select, yes {, except {except}} other {}}{has_also, select, yes {, and also on {also}} other {}}',
    'series_days' => '{repeats}, {length}, from {start}{end, select, count {, {count, plural, one {once} other {# times}}} until { until {until}} other { with no end}}{has_except, select, yes {, except {except}} other {}}{has_also, select, yes {, and also on {also}} other {}}',
    'dates' => '{times, select, one {on {dates} at {time}} other {on {dates}}}{more, select, yes { and so on} other {}}, {place} time, for {length}',
    'dates_days' => 'on {dates}{more, select, yes { and so on} other {}}, {length}',
];

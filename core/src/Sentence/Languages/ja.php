<?php

declare(strict_types=1);

return [
    'list_two' => '{a}と{b}',
    'list_middle' => '{a}、{b}',
    'list_end' => '{a}、{b}',
    'minutes' => '{n, plural, other {#分}}',
    'hours' => '{n, plural, other {#時間}}',
    'hours_minutes' => '{hours, plural, other {#時間}}{minutes, plural, other {#分}}',
    'all_day' => '{n, plural, =0 {終日} =1 {終日} other {終日（#日間）}}',
    'listed_date' => '{date}',
    'date_time' => '{date} {time}',
    'on_weekday' => '{day}',
    'daily' => '{n, plural, =1 {毎日} other {#日ごと}}',
    'workdays' => '平日（月曜日から金曜日）は毎日',
    'weekly' => '{n, plural, =1 {毎週{days}} =2 {隔週{days}} other {#週間ごとの{days}}}',
    'monthly_day' => '{n, plural, =1 {毎月} other {#か月ごとの}}{day}日',
    'monthly_last_day' => '{n, plural, =1 {毎月} other {#か月ごとの}}末日',
    'monthly_weekday' => '{n, plural, =1 {毎月} other {#か月ごとの}}{nth, select, 1 {第1} 2 {第2} 3 {第3} 4 {第4} 5 {第5} other {最終}}{weekday}',
    'monthly_workday' => '{n, plural, =1 {毎月} other {#か月ごとの}}最終平日',
    'yearly' => '{n, plural, =1 {毎年} other {#年ごとの}}{day}',
    'single' => '{date} {time}（{place}時間）、{length}',
    'single_day' => '{date}、{length}',
    'series' => '{repeats} {time}（{place}時間）、{length}、{start}から{end, select, count {{count, plural, other {全#回}}} until {{until}まで} other {期限なし}}{has_except, select, yes {（{except}を除く）} other {}}{has_also, select, yes {、ほかに{also}} other {}}',
    'series_days' => '{repeats}、{length}、{start}から{end, select, count {{count, plural, other {全#回}}} until {{until}まで} other {期限なし}}{has_except, select, yes {（{except}を除く）} other {}}{has_also, select, yes {、ほかに{also}} other {}}',
    'dates' => '{dates}{more, select, yes {など} other {}}{times, select, one { {time}} other {}}（{place}時間）、{length}',
    'dates_days' => '{dates}{more, select, yes {など} other {}}、{length}',
];

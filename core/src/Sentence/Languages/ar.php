<?php

declare(strict_types=1);

return [
    'list_two' => '{a} و{b}',
    'list_middle' => '{a} و{b}',
    'list_end' => '{a} و{b}',
    'minutes' => '{n, plural, one {دقيقة واحدة} two {دقيقتان} few {# دقائق} other {# دقيقة}}',
    'hours' => '{n, plural, one {ساعة واحدة} two {ساعتان} few {# ساعات} other {# ساعة}}',
    'hours_minutes' => '{hours, plural, one {ساعة واحدة} two {ساعتان} few {# ساعات} other {# ساعة}} {minutes, plural, one {ودقيقة واحدة} two {ودقيقتان} few {و# دقائق} other {و# دقيقة}}',
    'all_day' => '{n, plural, zero {طوال اليوم} one {طوال اليوم} two {يومان كاملان} few {# أيام كاملة} other {# يومًا كاملًا}}',
    'listed_date' => '{date}',
    'date_time' => '{date} الساعة {time}',
    'on_weekday' => 'يوم {day}',
    'daily' => '{n, plural, one {كل يوم} two {كل يومين} few {كل # أيام} other {كل # يومًا}}',
    'workdays' => 'كل يوم عمل (من الاثنين إلى الجمعة)',
    'weekly' => '{n, plural, one {كل أسبوع} two {كل أسبوعين} few {كل # أسابيع} other {كل # أسبوعًا}} {days}',
    'monthly_day' => 'في اليوم {day} {n, plural, one {من كل شهر} two {كل شهرين} few {كل # أشهر} other {كل # شهرًا}}',
    'monthly_last_day' => 'في اليوم الأخير {n, plural, one {من كل شهر} two {كل شهرين} few {كل # أشهر} other {كل # شهرًا}}',
    'monthly_weekday' => 'يوم {weekday} {nth, select, 1 {الأول} 2 {الثاني} 3 {الثالث} 4 {الرابع} 5 {الخامس} other {الأخير}} {n, plural, one {من كل شهر} two {كل شهرين} few {كل # أشهر} other {كل # شهرًا}}',
    'monthly_workday' => 'في يوم العمل الأخير {n, plural, one {من كل شهر} two {كل شهرين} few {كل # أشهر} other {كل # شهرًا}}',
    'yearly' => '{n, plural, one {كل سنة} two {كل سنتين} few {كل # سنوات} other {كل # سنة}} في {day}',
    'single' => '{date} الساعة {time} (بتوقيت {place})، المدة {length}',
    'single_day' => '{date}، {length}',
    'series' => '{repeats} الساعة {time} (بتوقيت {place})، المدة {length}، ابتداءً من {start}{end, select, count {، {count, plural, one {مرة واحدة} two {مرتين} few {# مرات} other {# مرة}}} until { حتى {until}} other { دون نهاية}}{has_except, select, yes {، ما عدا {except}} other {}}{has_also, select, yes {، وأيضًا {also}} other {}}',
    'series_days' => '{repeats}، {length}، ابتداءً من {start}{end, select, count {، {count, plural, one {مرة واحدة} two {مرتين} few {# مرات} other {# مرة}}} until { حتى {until}} other { دون نهاية}}{has_except, select, yes {، ما عدا {except}} other {}}{has_also, select, yes {، وأيضًا {also}} other {}}',
    'dates' => '{times, select, one {{dates} الساعة {time}} other {{dates}}}{more, select, yes { وهكذا} other {}} (بتوقيت {place})، المدة {length}',
    'dates_days' => '{dates}{more, select, yes { وهكذا} other {}}، {length}',
];

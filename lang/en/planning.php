<?php

declare(strict_types=1);

return [
    'whole_days' => 'An all-day meeting lasts whole days.',
    'a_day_at_most' => 'A meeting lasts 24 hours at most.',
    'unknown_person' => 'One of the people is no longer known. Take them out and add them again.',
    'unknown_zone' => 'This time zone is not known.',
    'unreadable_time' => 'This is not a date and time that can be.',
    'passcode_form' => 'Take 6 to 16 letters and digits, without accents, spaces or signs.',
    'repeats_interval' => 'Take a number from 1 to 99.',
    'repeats_count' => 'Take a number of times from 1 to 1,000.',
    'repeats_days' => 'Choose a weekday at least.',
    'repeats_nth' => 'Choose the first to fifth, or the last.',
    'repeats_monthDay' => 'Take a day from 1 to 31, or the last.',
    'repeats_untilOn' => 'This is not a date that can be.',
    'no_dates' => 'No date matches how this meeting repeats.',
    'end_before_start' => 'It ends before it begins: choose a later end.',
    'copy_of' => ':title',
];

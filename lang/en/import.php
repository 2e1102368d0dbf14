<?php

declare(strict_types=1);

return [
    'no_calendar' => 'This is not a calendar file: it holds no BEGIN:VCALENDAR. Nothing was changed.',
    'too_large' => 'This file is too large to be read here: 60 MB at most. Nothing was changed.',
    'no_such_event' => 'The file holds no such event. Choose again.',
    'no_start' => 'This event has no start, so there is nothing to plan.',
    'called_off' => 'This event is called off in the file, so there is nothing to plan.',
    'no_dates' => 'No date matches the rule of this event, so there is nothing to plan.',
    'rule_too_long' => 'The rule of this event names too many days to be kept.',
    'floating' => 'The file names no zone: the times are taken as :zone time.',
    'zone_unknown' => 'The file’s zone is not known: the moment is kept, on the clock of :zone.',
    'zone_unknown_series' => 'The file’s zone is not known: the first date keeps its moment, the others follow the clock of :zone.',
    'several' => 'The file holds this event :count times. The first is taken.',
    'no_end' => 'The file names no end: the usual length is taken.',
    'length' => 'It lasts :was minutes in the file; here it is :now.',
    'rule' => 'It repeats in the file in a way that cannot be (:rule). The first date is taken.',
    'start_off_rule' => 'The first date, :date, is none of its rule: it is kept as an added date.',
    'this_and_future' => 'From :date on the file changes the rest of the series. That was left out: plan it as a series of its own.',
    'change_lost' => 'The file changes a date that the series does not have: :date. That was left out.',
    'date_otherwise' => 'On :date the file has another length, text or list of people. The date is kept, as the others are.',
    'addresses' => '{1} One address cannot be used and was left out.|[2,*] :count addresses cannot be used and were left out.',
    'many_people' => 'More than :count people are invited in the file. The rest were left out.',
    'cut_title' => 'The title was cut after :count characters.',
    'cut_purpose' => 'The text was cut after :count characters.',
    'cut_place' => 'The place was cut after :count characters.',
];

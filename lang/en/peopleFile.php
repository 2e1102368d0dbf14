<?php

declare(strict_types=1);

return [
    'people_too_large' => 'This file is too large: 15 MB at most. Nothing was changed.',
    'people_too_many' => 'This file holds more than :rows people, or more than 100 columns. Nothing was changed.',
    'no_people' => 'There is nobody in this file. Nothing was changed.',
    'no_addresses' => 'Say which column holds the email addresses.',
    'too_many_cells' => 'This row has :cells cells, but the first one names :columns columns. Put a cell that holds the separator in quotes.',
    'name_long' => 'The name is too long.',
    'job_long' => 'The role or job is too long.',
    'address_twice' => 'The same address stands on line :line already.',
    'zone_unknown' => 'No time zone or city is called “:what”.',
    'language_unknown' => 'No language is called “:what”.',
    'country_unknown' => 'No country is called “:what”.',
    'region_unknown' => 'No region of that country is called “:what”.',
    'phone_unknown' => '“:what” cannot be a phone number.',
    'hours_unknown' => 'Working hours cannot be read: “:what”. Write them like mon-fri 09:00-17:00.',
    'stand_in_unknown' => 'The stand-in is named by their email address, not “:what”.',
    'calendar_unknown' => 'The address of the calendar cannot be read.',
    'column' => [
        'name' => 'Name', 'email' => 'Email', 'kind' => 'Kind', 'zone' => 'Time zone', 'language' => 'Language', 'country' => 'Country', 'region' => 'Region', 'phone' => 'Phone',
        'job' => 'Job', 'hours' => 'Working hours', 'teams' => 'Teams', 'standIn' => 'Stand-in', 'line' => 'Line', 'who' => 'Who', 'why' => 'Why',
    ],
];

<?php

declare(strict_types=1);

// What the core refuses, by the name of the refusal. What was typed stays where it is.
return [
    'BadLine' => 'This cannot be read. Nothing was changed.',
    'CannotAdopt' => 'This event cannot be opened as a draft. Nothing was changed.',
    'CannotEditDate' => 'The series has no such date any more. Look again, and take the date as it is now.',
    'InvalidDialIn' => 'The bridge named a telephone number that cannot be. Nothing was changed; try again.',
    'InvalidHours' => 'These working hours cannot be. Write them like 09:00–17:00.',
    'InvalidInterval' => 'It ends before it begins. Choose a later end.',
    'InvalidMeetingNumber' => 'The bridge gave a meeting number that cannot be. Nothing was changed; try again.',
    'InvalidPasscode' => 'Use 6 to 16 letters and digits, without accents, spaces or other characters.',
    'InvalidRepeats' => 'It cannot repeat like this. Check how often, on which days and until when.',
    'InvalidRule' => 'It cannot repeat like this. Check how often, on which days and until when.',
    'InvalidTime' => 'There is no such date and time. Write it like 2026-12-08 15:30.',
    'NoDates' => 'No date matches how this meeting repeats. Check the days and months.',
    'NotACalendar' => 'This is not a calendar file. Nothing was changed.',
    'NotAnAnswer' => 'This is no answer to an invitation. Nothing was changed.',
    'NotExpressible' => 'No calendar program could be told of this time. Choose another one.',
    'NotUnderstood' => 'This sentence was not understood. Say when and how often, like “every Tuesday at 15:30”.',
    'TooMuchWork' => 'That is too much to work out at once. Take fewer dates or people.',
    'TooOdd' => 'There are no plain words for how this repeats.',
    'UnknownZone' => 'This time zone is not known. Choose a city.',
];

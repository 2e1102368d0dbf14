<?php

declare(strict_types=1);

return [
    'hours_form' => 'Hours are written like 09:00 to 17:00, and end after they begin.',
    'address_empty' => 'Type an email address, like rosa@anden.example.',
    'address_no_at' => 'An email address needs an @ sign, like rosa@anden.example.',
    'address_two_at' => 'An email address has only one @ sign.',
    'address_bad_local' => 'Check the part before the @: no spaces, no commas, no two dots in a row.',
    'address_bad_domain' => 'Check the part after the @: no spaces, no commas, no two dots in a row.',
    'address_no_dot' => 'The part after the @ needs a dot, like anden.example.',
    'address_taken' => 'Somebody already has this address.',
    'account_exists' => 'This person already has an account.',
    'address_invisible' => 'This address contains an invisible character. Type it again.',
    'address_several' => 'These are several addresses. Enter them one by one.',
    'address_same' => 'That is already its address.',
    'password_wrong' => 'This is not your password.',
    'password_common' => 'This password is too easy to guess. Choose another one.',
    'password_short' => 'Use at least ten characters.',
    'away' => 'away',
    'away_covered' => 'away, :name stands in',
    'not_yours_to_say' => 'Only whoever plans changes that.',
    'unknown_country' => 'Choose a country from the list.',
    'unknown_phone' => 'This cannot be a phone number. Write it with its country, like +254 20 255 5142.',
    'two_places' => 'On some of these days they are on another journey already. Remove that one first.',
    'many_journeys' => 'So many journeys cannot be kept. Remove some that are over.',
    'own_stand_in' => 'Somebody else must stand in.',
];

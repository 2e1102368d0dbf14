<?php

declare(strict_types=1);

return [
    'hours_form' => 'Hours are written like 09:00 to 17:00, and end after they begin.',
    'address_empty' => 'Write an address, like rosa@anden.example.',
    'address_no_at' => 'An address needs an @ sign, like rosa@anden.example.',
    'address_two_at' => 'An address has one @ sign only.',
    'address_bad_local' => 'What stands before the @ cannot be: look for spaces, commas and dots in a row.',
    'address_bad_domain' => 'What stands after the @ cannot be: look for spaces, commas and dots in a row.',
    'address_no_dot' => 'What stands after the @ needs a dot, like anden.example.',
    'address_taken' => 'Somebody has this address already.',
    'account_exists' => 'This person has an account already.',
    'address_invisible' => 'This address holds a sign that nobody sees. Type it anew.',
    'address_several' => 'These are several addresses. Take them one by one.',
    'address_same' => 'This is the address it has already.',
    'password_wrong' => 'This is not your password.',
    'password_common' => 'This password is among those that are tried first. Take another one.',
    'password_short' => 'Take ten characters at least.',
];

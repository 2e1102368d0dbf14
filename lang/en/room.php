<?php

declare(strict_types=1);

/*
 * Names of what can be settled about a meeting's room and its entries in calendars: what differs is listed by them.
 */
return [
    'settings' => [
        'opens' => 'when hosts may open',
        'doors' => 'when the doors open',
        'beforeHost' => 'before the host comes',
        'lobby' => 'whom the lobby holds',
        'invitedOnly' => 'who may come',
        'signIn' => 'signing in',
        'passcode' => 'passcode',
        'passcodeLength' => 'signs of a passcode',
        'passcodeInLink' => 'passcode in the link',
        'linkPicture' => 'picture of the link in the mail',
        'countries' => 'countries',
        'capacity' => 'number of people',
        'lock' => 'when it is locked',
        'video' => 'seen or heard',
        'audio' => 'sound',
        'cameras' => 'cameras on arrival',
        'microphones' => 'microphones on arrival',
        'screens' => 'who may share a screen',
        'chat' => 'chat',
        'captions' => 'captions',
        'arrivalSound' => 'a sound when somebody comes',
        'recording' => 'recording',
        'nameMark' => 'the viewer’s name over the picture',
        'renaming' => 'changing names',
        'phonesAlso' => 'numbers of more countries',
        'phonesNot' => 'countries left out',
        'coHosts' => 'co-hosts',
        'presenters' => 'presenters',
        'account' => 'account of the bridge',
        'reason' => 'why it is recorded',
        'standing' => 'whose room it is',
        'inRoom' => 'who comes to the place',
        'standIn' => 'who stands in for the host',
        'smallRooms' => 'smaller rooms',
        'interpreters' => 'interpreters',
    ],
    'calendar' => [
        'reminderMinutes' => 'reminder',
        'class' => 'who may see it',
        'categories' => 'categories',
        'takesNoTime' => 'whether it takes time',
        'notForwarded' => 'whether it may be handed on',
    ],
    'may' => ['change' => 'change it: :who', 'invite' => 'invite others: :who', 'nobody' => 'nobody', 'hosts' => 'hosts and co-hosts', 'everyone' => 'everybody'],
];

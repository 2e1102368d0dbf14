<?php

declare(strict_types=1);

return [
    'invalid' => 'Some of what was entered cannot be used. It is named below; nothing is lost.',
    'not_signed_in' => 'You are not signed in, or too long ago. Sign in and go on; what you typed is kept on this page.',
    'not_found' => 'There is nothing here, or not for you.',
    'page_expired' => 'This page is from an earlier session. Load it again and go on.',
    'too_many_tries' => 'Too many tries. Wait :seconds seconds and try again.',
    'not_allowed' => 'Your account does not allow this. A coordinator or an administrator can do it.',
    'broken' => 'Something broke on our side. Nothing was changed; try again.',
    'locked_sent' => 'This meeting was sent and cannot be changed here. It can be called off, or copied into a new draft.',
    'locked_called_off' => 'This meeting was called off. It can be copied into a new draft.',
    'locked_draft' => 'This meeting is a draft. Send it first.',
    'locked_kept' => 'This meeting was kept without sending. Nobody has been told of it.',
    'changed_elsewhere' => 'This sheet was changed in another window after you opened it. Both versions are kept until you choose one.',
    'not_ready' => 'This meeting is not ready to be sent. What is missing is named below.',
    'many_dates' => 'That makes :count dates. The sheet is kept as it was until you say so.',
    'more_dates' => 'That makes more than :count dates. The sheet is kept as it was until you say so.',
    'too_late' => 'The invitations have left already. The meeting can be called off instead.',
    'over' => 'All dates of this meeting are over.',
    'link_spent' => 'This link was used already or is too old. Ask for a new one.',
    'last_administrator' => 'This is the last active administrator. Give somebody else that role first.',
    'not_empty' => 'There are accounts already. Sign in, or ask an administrator to invite you.',
    'sign_in_failed' => 'This address and password do not belong together, or the account is not active.',
    'demo_on_loopback_only' => 'Demo accounts answer on the machine itself only.',
    'bridge_silent' => 'The bridge did not answer. The meeting is kept as it was; try again, or choose another way to join.',
    'bridge_refused' => 'The bridge refused (:status). The meeting is kept as it was; try again, or choose another way to join.',
];

<?php

declare(strict_types=1);

return [
    'account_invite_subject' => 'Your account on Syndex',
    'account_invite_body' => "Hello :name,\n\nyou have an account on Syndex. Choose a password here within :days days:\n\n:link\n\nIf you did not expect this, do nothing.\n",
    'account_reset_subject' => 'A new password for Syndex',
    'account_reset_body' => "Hello :name,\n\nchoose a new password here within :hours hours:\n\n:link\n\nIf you did not ask for this, do nothing: your password stays as it is.\n",
    'account_address_subject' => 'Another address for your account on Syndex',
    'account_address_body' => "Hello :name,\n\nsomebody asked to change the address of your account on Syndex from :old to :new. It changes once both addresses have agreed. Agree for :this here within :hours hours:\n\n:link\n\nIf you did not ask for this, do not open the link: the address stays as it is. Change your password, because somebody else knows it.\n",
    'account_moved_subject' => 'The address of your account on Syndex has changed',
    'account_moved_body' => "Hello :name,\n\nyour account on Syndex now has the address :new instead of :old. Sign in with the new one; your password is the same.\n\nIf this was not you, tell an administrator of Syndex.\n",
];

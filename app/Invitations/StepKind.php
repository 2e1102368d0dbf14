<?php

declare(strict_types=1);

namespace App\Invitations;

enum StepKind: string
{
    case Sent = 'sent';
    case Changed = 'changed';
    case CalledOff = 'called_off';
    case Readdressed = 'readdressed';
    case SentAgain = 'sent_again';
    /** The joining kit was made anew. */
    case Reissued = 'reissued';
    case TakenBack = 'taken_back';
}

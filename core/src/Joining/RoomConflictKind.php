<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** Why settings do not go together. */
enum RoomConflictKind: string
{
    /** Sign-in is needed, and outside guests cannot. */
    case GuestsCannotSignIn = 'guests_cannot_sign_in';
    /** People may come ahead of the host, and the lobby holds some whom nobody can let in yet. */
    case NobodyToLetIn = 'nobody_to_let_in';
    /** It is locked before people usually have come. */
    case LockedEarly = 'locked_early';
    /** Somebody who is invited is where nobody may come from. */
    case CountryRefused = 'country_refused';
    /** Fewer may be in than are invited. */
    case TooFewPlaces = 'too_few_places';
    /** More are invited than the account allows. */
    case TooManyForAccount = 'too_many_for_account';
    /** It lasts longer than the account allows. */
    case TooLongForAccount = 'too_long_for_account';
    case TooManyCoHosts = 'too_many_co_hosts';
    /** Something is wanted that the account cannot do. */
    case NotOffered = 'not_offered';
}

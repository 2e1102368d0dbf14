<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

/** What a message tells its recipient: the words of the headless core. */
enum Change: string
{
    case New = 'new';
    case Time = 'time';
    case Length = 'length';
    case Repeats = 'repeats';
    case DateMoved = 'date_moved';
    case DateDropped = 'date_dropped';
    case DateAdded = 'date_added';
    case Place = 'place';
    case Join = 'join';
    case Title = 'title';
    case Text = 'text';
    case People = 'people';
    case Role = 'role';
    case Organizer = 'organizer';
    case CalledOff = 'called_off';

    /**
     * Each once, in the order of the cases.
     *
     * @param  list<self>  $changes
     * @return list<self>
     */
    public static function sorted(array $changes): array
    {
        return array_values(array_filter(self::cases(), static fn(self $one): bool => in_array($one, $changes, true)));
    }
}

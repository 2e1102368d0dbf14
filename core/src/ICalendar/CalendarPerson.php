<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

/** A calendar user address with the name that is shown for it (RFC 5545 3.3.3, CN of 3.2.2). */
final readonly class CalendarPerson
{
    /** @param string $email a mail address, or a whole URI of another kind */
    public function __construct(public string $email, public ?string $name) {}

    public function uri(): string
    {
        return self::uriOf($this->email);
    }

    public static function uriOf(string $address): string
    {
        return preg_match('/\A[a-z][a-z0-9+.-]*:/i', $address) === 1 ? $address : 'mailto:' . $address;
    }

    /** The address of a URI: of mailto without it, lower case in the domain only; other URIs as they are. */
    public static function addressOf(string $uri): string
    {
        $uri = trim($uri);
        $address = strncasecmp($uri, 'mailto:', 7) === 0 ? substr($uri, 7) : $uri;
        if (preg_match('/\A[a-z][a-z0-9+.-]*:/i', $address) === 1) {
            return $uri;
        }
        $at = strrpos($address, '@');

        return $at === false ? $address : substr($address, 0, $at) . mb_strtolower(substr($address, $at));
    }
}

<?php

declare(strict_types=1);

namespace App\Invitations;

use Symfony\Component\Mime\Header\Headers;
use Symfony\Component\Mime\Header\ParameterizedHeader;
use Symfony\Component\Mime\Part\TextPart;

/** The calendar as a body part: text/calendar with its method and charset (RFC 6047 2.4). */
final class CalendarPart extends TextPart
{
    public function __construct(string $ics, private readonly string $iTipMethod)
    {
        // Base64 keeps every octet, line ends too.
        parent::__construct($ics, 'UTF-8', 'calendar', 'base64');
    }

    public function getPreparedHeaders(): Headers
    {
        $headers = parent::getPreparedHeaders();
        $type = $headers->get('Content-Type');
        if ($type instanceof ParameterizedHeader) {
            $type->setParameter('method', $this->iTipMethod);
            $type->setParameter('charset', 'UTF-8');
        }

        return $headers;
    }
}

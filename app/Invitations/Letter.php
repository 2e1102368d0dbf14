<?php

declare(strict_types=1);

namespace App\Invitations;

/** What one recipient reads: subject, plain text and HTML, and in which language (BCP 47). */
final readonly class Letter
{
    public function __construct(public string $subject, public string $text, public string $html, public string $language = 'en') {}
}

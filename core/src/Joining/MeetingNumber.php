<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** The number under which the bridge knows a meeting: 9 to 12 digits, written in threes. */
final readonly class MeetingNumber
{
    private function __construct(public string $digits) {}

    /** @throws InvalidMeetingNumber if it has another form */
    public static function of(string $text): self
    {
        $digits = (string) preg_replace('/[\s-]/', '', $text);

        return preg_match('/\A\d{9,12}\z/', $digits) === 1 ? new self($digits) : throw InvalidMeetingNumber::unreadable($text);
    }

    /** "829 114 507" */
    public function format(): string
    {
        return trim(strrev(chunk_split(strrev($this->digits), 3, ' ')));
    }
}

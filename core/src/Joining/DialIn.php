<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** A telephone number of the bridge, in E.164 form, the country it belongs to (ISO 3166-1, two letters), and whether calling it costs nothing there. */
final readonly class DialIn
{
    private function __construct(public string $country, public string $number, public bool $free) {}

    /** @throws InvalidDialIn if the number is not E.164 or the country not two letters */
    public static function of(string $country, string $number, bool $free = false): self
    {
        if (preg_match('/\A[A-Z]{2}\z/', $country) !== 1 || preg_match('/\A\+[1-9]\d{6,14}\z/', $number) !== 1) {
            throw InvalidDialIn::unreadable($country, $number);
        }

        return new self($country, $number, $free);
    }

    /**
     * What a telephone dials that goes on by itself after a pause: number of the meeting and PIN (common practice, no published source;
     * a comma is a pause of about two seconds).
     *
     * @param  ?string  $pin  null: none is asked for
     */
    public function dialsOn(string $meetingNumber, ?string $pin): string
    {
        return "$this->number,,$meetingNumber#" . ($pin === null ? '' : ",,$pin#");
    }

    /** RFC 3966 5.1.4: a global number and nothing else. */
    public function uri(): string
    {
        return 'tel:' . $this->number;
    }
}

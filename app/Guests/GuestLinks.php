<?php

declare(strict_types=1);

namespace App\Guests;

use App\People\Person;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;

/** Makes links for guests and knows them again. The link itself stands nowhere but in the mail that carries it. */
final readonly class GuestLinks
{
    /** Letters and digits: 285 bits, which nobody guesses. */
    private const LENGTH = 48;

    /** So many days after it expired a link still says so, and to whom it was; then it is unknown. */
    public const KEPT_DAYS = 90;

    /** @return string the address to mail */
    public function timeOffer(Person $person, string $meetingId, string $offerId, CarbonImmutable $until): string
    {
        // Who is given another link has one only.
        GuestLink::query()->where('person_id', $person->id)->where('time_offer_id', $offerId)->delete();
        $token = Str::random(self::LENGTH);
        GuestLink::query()->create(['token_hash' => hash('sha256', $token), 'kind' => GuestLinkKind::TimeOffer, 'person_id' => $person->id, 'meeting_id' => $meetingId, 'time_offer_id' => $offerId, 'expires_at' => $until, 'created_at' => now()]);

        return config('app.url') . '/g/' . $token;
    }

    public function known(#[\SensitiveParameter] string $token): ?GuestLink
    {
        return preg_match('/^[A-Za-z0-9]{' . self::LENGTH . '}$/D', $token) === 1 ? GuestLink::query()->with('person')->where('token_hash', hash('sha256', $token))->first() : null;
    }

    /** What a link looks like where it must not be told. */
    public static function masked(string $text): string
    {
        return (string) preg_replace('#/g/[A-Za-z0-9]{' . self::LENGTH . '}#', '/g/…', $text);
    }
}

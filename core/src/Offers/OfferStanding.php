<?php

declare(strict_types=1);

namespace Syndex\Core\Offers;

/** How an offered time stands: who comes, perhaps, or cannot, and who has not said. */
final readonly class OfferStanding
{
    /**
     * @param  list<string>  $accepted  people
     * @param  list<string>  $tentative
     * @param  list<string>  $declined
     * @param  list<string>  $awaiting
     */
    public function __construct(public int $time, public array $accepted, public array $tentative, public array $declined, public array $awaiting) {}
}

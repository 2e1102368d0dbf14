<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** A country in which people are, and the numbers that they can call. */
final readonly class ChosenCountry
{
    /**
     * @param  string  $from  the country of the numbers: another one where this has none
     * @param  list<DialIn>  $numbers
     * @param  list<string>  $people  ids of those who are there
     */
    public function __construct(public string $country, public string $from, public array $numbers, public array $people) {}
}

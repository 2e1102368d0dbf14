<?php

declare(strict_types=1);

namespace Syndex\Core\VCard;

/** What is known of one person from a vCard, as texts; null: not said. */
final readonly class Card
{
    /**
     * @param  ?string  $zone  as it is written: a name of the zone data, or whatever else somebody wrote
     * @param  ?string  $language  BCP 47
     * @param  ?string  $country  as it is written
     * @param  ?string  $phone  as it is written, a "tel:" taken off
     * @param  list<string>  $categories
     * @param  ?string  $calendar  address of a calendar or of busy times
     */
    public function __construct(
        public ?string $name = null,
        public ?string $email = null,
        public ?string $zone = null,
        public ?string $language = null,
        public ?string $country = null,
        public ?string $phone = null,
        public ?string $title = null,
        public array $categories = [],
        public ?string $calendar = null,
    ) {}
}

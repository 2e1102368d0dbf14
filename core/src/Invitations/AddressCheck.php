<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

/** What is to be said of an address as typed. */
final readonly class AddressCheck
{
    /**
     * @param  ?string  $address  the address to use, when it can be used as it stands
     * @param  ?string  $name  the name written beside it, as in "Rosa Quispe <rosa@anden.example>"
     * @param  'empty'|'invisible'|'no_at'|'two_at'|'bad_local'|'bad_domain'|'no_dot'|'slip'|null  $problem
     * @param  ?string  $suggestion  what was probably meant
     * @param  string  $typed  the piece of text that was read
     */
    public function __construct(public ?string $address, public ?string $name, public ?string $problem, public ?string $suggestion, public string $typed = '') {}

    public function of(string $typed): self
    {
        return new self($this->address, $this->name, $this->problem, $this->suggestion, $typed);
    }

    public function isUsable(): bool
    {
        return $this->address !== null;
    }
}

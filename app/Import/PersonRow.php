<?php

declare(strict_types=1);

namespace App\Import;

/** One row of a file of people, read: columns of the directory, what hangs on them, and what is wrong. */
final readonly class PersonRow
{
    /**
     * @param array<string, mixed> $values columns of a person that the row says something of
     * @param ?list<string> $teams paths of names; null: the file says nothing of teams
     * @param ?string $standIn an address
     * @param ?string $calendar an address from which busy times are read
     * @param array<string, string> $problems by field, in words; a row with any is refused
     */
    public function __construct(public int $line, public array $values, public ?array $teams, public ?string $standIn, public ?string $calendar, public array $problems) {}

    public function email(): string
    {
        return (string) ($this->values['email'] ?? '');
    }
}

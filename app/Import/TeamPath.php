<?php

declare(strict_types=1);

namespace App\Import;

use App\People\SaveTeam;
use App\People\SearchKey;
use App\People\Team;

/** A team as a file names it: "Growers", or with those that it lies within, "Growers > Dryland". */
final readonly class TeamPath
{
    /** @param non-empty-list<string> $names */
    private function __construct(private array $names) {}

    public static function of(string $text): self
    {
        $names = array_values(array_filter(array_map(static fn(string $n): string => mb_substr(trim($n), 0, 120), explode('>', $text)), static fn(string $n): bool => SearchKey::name($n) !== ''));

        return new self($names === [] ? ['?'] : $names);
    }

    public static function isNamed(string $text): bool
    {
        return SearchKey::name($text) !== '';
    }

    public function last(): string
    {
        return $this->names[count($this->names) - 1];
    }

    /** The team, made with those that it lies within where it is not there. One that is there stays where it lies. */
    public function found(SaveTeam $save): Team
    {
        $above = null;
        foreach ($this->names as $name) {
            $above = Team::query()->where('name_key', SearchKey::name($name))->first() ?? $save(new Team(), ['name' => $name, 'parent_id' => $above?->id]);
        }

        return $above;
    }
}

<?php

declare(strict_types=1);

namespace App\People;

use App\HouseRules\HouseRules;
use Syndex\Core\Time\WorkingHours;

/** When somebody works: their hours by weekday, and none on the public holidays of where they are at home. */
final class Hours
{
    /** @var array<string, WorkingHours> each once, however many people have them */
    private array $known = [];

    private ?WorkingHours $week = null;

    public function __construct(private readonly HouseRules $rules, private readonly Holidays $holidays) {}

    private function week(): WorkingHours
    {
        return $this->week ??= $this->rules->workingWeek();
    }

    public function of(Person $person): WorkingHours
    {
        $place = $person->country !== null && $this->rules->keepsHolidays($person->keeps_holidays) ? "$person->country $person->region" : '';

        return $this->known[json_encode($person->hours) . $place] ??= $place === '' || $person->country === null
            ? $person->workingHours($this->week())
            : $person->workingHours($this->week())->withHolidays($this->holidays->of($person->country, $person->region));
    }
}

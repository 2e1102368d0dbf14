<?php

declare(strict_types=1);

namespace App\Failure;

use Syndex\Core\CoreException;

/** What the core refuses, in words for people: the core itself speaks to those who know its formats. */
final class CoreWords
{
    /** Each kind of refusal has its own words (lang/en/core.php); an arch test holds the list complete. */
    public static function of(CoreException $refused): string
    {
        return __('core.' . (new \ReflectionClass($refused))->getShortName());
    }
}

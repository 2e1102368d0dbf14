<?php

declare(strict_types=1);

namespace App\Joining;

use Syndex\Core\Joining\Randomness;

/** The system's generator for secrets. */
final class SystemRandomness implements Randomness
{
    public function below(int $below): int
    {
        return random_int(0, max(0, $below - 1));
    }
}

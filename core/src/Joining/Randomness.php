<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/** Chance, handed to the core from outside. */
interface Randomness
{
    /** A whole number from 0 to one less than $below, each as likely. */
    public function below(int $below): int;
}

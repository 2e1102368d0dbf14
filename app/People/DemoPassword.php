<?php

declare(strict_types=1);

namespace App\People;

/** The password of the demo's invented accounts, no secret: they answer on the machine itself only. */
final class DemoPassword
{
    public const TEXT = 'seedling-demo';
}

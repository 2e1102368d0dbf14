<?php

declare(strict_types=1);

namespace App;

use Illuminate\Contracts\View\Factory;
use Illuminate\Contracts\View\View;

/** The page that the interface is drawn on. */
final class AppController
{
    public function __invoke(Factory $views): View
    {
        return $views->make('app');
    }
}

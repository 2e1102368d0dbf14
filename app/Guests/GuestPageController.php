<?php

declare(strict_types=1);

namespace App\Guests;

use Illuminate\Contracts\View\Factory;
use Illuminate\Http\Response;

/**
 * The page that a guest's link opens. It is the same for every link and looks nothing up: whoever looks ahead into mails, as some
 * mail servers do, learns nothing and answers for nobody.
 */
final class GuestPageController
{
    public function __invoke(Factory $views): Response
    {
        return new Response($views->make('guest')->render(), 200, ['Cache-Control' => 'no-store, private', 'Referrer-Policy' => 'no-referrer', 'X-Robots-Tag' => 'noindex, nofollow']);
    }
}

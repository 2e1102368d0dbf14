<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** nginx asks here before it lets a page listen. */
final class MayListenController
{
    public function __invoke(Request $request): Response
    {
        $account = $request->user();
        $channel = (string) $request->headers->get('X-Live-Channel', '');

        return new Response('', $account instanceof Account && $account->channel() === $channel ? 204 : 403);
    }
}

<?php

declare(strict_types=1);

namespace App\Live;

use App\People\Account;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** nginx asks here before it lets a page listen. */
final class LiveAllowedController
{
    public function __invoke(Request $request): Response
    {
        $account = $request->user();
        $channel = (string) $request->headers->get('X-Live-Channel', '');

        return new Response('', $account instanceof Account && Live::channelOf($account) === $channel ? 204 : 403);
    }
}

<?php

declare(strict_types=1);

/*
 * One request in a process of its own, begun at a moment that several share. Usage: one_request.php ACCOUNT MOMENT METHOD PATH BODY
 * [LINK]; with the link of a guest it is theirs, and nobody is signed in. METHOD "artisan" runs a command instead. Prints the status and the body as JSON.
 */

use App\People\Account;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

require __DIR__ . '/../../../vendor/autoload.php';

[, $accountId, $moment, $method, $path, $body] = $argv;
$link = $argv[6] ?? null;
foreach (['APP_ENV' => 'testing', 'DB_DATABASE' => 'syndex_feature', 'QUEUE_CONNECTION' => 'database', 'LOG_CHANNEL' => 'null'] as $name => $value) {
    putenv("$name=$value");
    $_ENV[$name] = $_SERVER[$name] = $value;
}
$app = require __DIR__ . '/../../../bootstrap/app.php';
$app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();
config(['syndex.live.publish_url' => null, 'syndex.outbox.hold_seconds' => 0, 'session.driver' => 'array', 'cache.default' => 'array']);
DB::select('select 1');
$account = Account::query()->with('person')->findOrFail($accountId);
if ($link === null) {
    Auth::setUser($account);
}
$kernel = $app->make(Kernel::class);
while (microtime(true) < (float) $moment) {
    usleep(200);
}
if ($method === 'artisan') {
    echo json_encode(['status' => Artisan::call($path), 'body' => []]);
    exit;
}
$response = $kernel->handle(Request::create($path, $method, [], [], [], ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json', ...($link === null ? [] : ['HTTP_AUTHORIZATION' => "Bearer $link"])], $body));
echo json_encode(['status' => $response->getStatusCode(), 'body' => json_decode((string) $response->getContent(), true)]);

<?php

declare(strict_types=1);

use App\Access\CleanText;
use App\Access\LateAnswersCarryNoSession;
use App\Access\SecurityHeaders;
use App\Failure\Rendering;
use App\People\RequireRole;
use App\Planning\RequireRight;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Route;

// All that a running Syndex keeps beside the database lies in one folder, chosen from outside.
$var = getenv('SYNDEX_VAR') ?: dirname(__DIR__) . '/var';

// Only a house's own servers use them: commands and tests have settings of their own.
if (getenv('SYNDEX_CACHED') !== false) {
    (require __DIR__ . '/caches.php')(dirname(__DIR__), $var);
}

$app = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__ . '/../routes/web.php', commands: __DIR__ . '/../routes/console.php', then: static fn() => Route::group([], __DIR__ . '/../routes/guest.php'))
    ->withCommands([App\Answers\ReceiveCommand::class, App\Invitations\WorkOutbox::class, App\Invitations\BeatBesideWorker::class, App\Operations\Bench\BenchCommand::class, App\Operations\DoctorFacts::class, App\Operations\DoctorMail::class, App\Operations\CheckBackup::class, App\Operations\Drill::class, App\Operations\RotateLogs::class, App\Operations\WriteZones::class, App\Planning\TopUpCommand::class])
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->append([SecurityHeaders::class, LateAnswersCarryNoSession::class]);
        $middleware->prepend(CleanText::class);
        $middleware->alias(['role' => RequireRole::class, 'may' => RequireRight::class]);
        $middleware->redirectGuestsTo(fn(Request $request): string => '/');
        // Other origins get no word from us: there is nothing here for their pages.
        $middleware->remove(HandleCors::class);
    })
    ->withExceptions(fn(Exceptions $exceptions) => Rendering::register($exceptions))
    ->create();

$app->useStoragePath($var . '/storage');
$app->useEnvironmentPath($var);
$app->loadEnvironmentFrom('app.env');

return $app;

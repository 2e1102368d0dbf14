<?php

declare(strict_types=1);

namespace App;

use App\Invitations\PostRoom;
use App\Invitations\SmtpPostRoom;
use App\Joining\Bridge;
use App\Joining\HttpBridge;
use App\Joining\SystemRandomness;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\URL;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use Symfony\Component\HttpFoundation\Response;
use Syndex\Core\Joining\Randomness;
use Syndex\Core\Recurrence\English;
use Syndex\Core\Recurrence\Grammar;
use Syndex\Core\Time\SystemZoneData;
use Syndex\Core\Time\ZoneData;

/** Ties the ports of the rooms to what stands behind them. */
final class SyndexServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->singleton(ZoneData::class, static fn(): ZoneData => new SystemZoneData(self::zoneDataVersion()));
        $this->app->singleton(Grammar::class, English::class);
        $this->app->singleton(Randomness::class, SystemRandomness::class);
        $this->app->singleton(Bridge::class, static fn(): Bridge => new HttpBridge(
            (string) config('syndex.bridge.url'),
            (string) config('syndex.bridge.key'),
            (int) config('syndex.bridge.timeout_seconds'),
        ));
        $this->app->singleton(PostRoom::class, static fn(): PostRoom => new SmtpPostRoom(
            (string) config('syndex.post_room.host'),
            (int) config('syndex.post_room.port'),
            (int) config('syndex.post_room.timeout_seconds'),
            (string) config('syndex.mail_domain'),
        ));
    }

    public function boot(Application $app): void
    {
        Model::shouldBeStrict($app->environment('testing', 'local'));
        Date::use(\Carbon\CarbonImmutable::class);
        JsonResource::withoutWrapping();
        URL::forceRootUrl((string) config('app.url'));
        // Behind nginx and a load balancer the port seen here is not the one in the browser.
        Vite::createAssetPathsUsing(static fn(string $path): string => '/' . $path);
        RateLimiter::for('sign-in', static fn(Request $request): array => [
            // Only what failed counts: whoever knows the password is no guesser.
            Limit::perMinute(20)->by('ip:' . $request->ip())->after(self::failed(...)),
            Limit::perMinute(5)->by('address:' . mb_strtolower((string) $request->input('email')) . '|' . $request->ip())->after(self::failed(...)),
        ]);
        // Each of these sends a mail, so each counts.
        RateLimiter::for('mailed-link', static fn(Request $request): array => [
            Limit::perMinute(5)->by('link-ip:' . $request->ip()),
            Limit::perHour(4)->by('link-address:' . mb_strtolower((string) $request->input('email'))),
        ]);
    }

    private static function failed(Response $response): bool
    {
        return $response->getStatusCode() >= 400;
    }

    private static function zoneDataVersion(): string
    {
        $file = @fopen('/usr/share/zoneinfo/tzdata.zi', 'r');

        return $file !== false && preg_match('/^# version (\S+)/', (string) fgets($file), $m) === 1 ? $m[1] : timezone_version_get();
    }
}

<?php

declare(strict_types=1);

namespace App;

use App\Access\SignInPace;
use App\Access\SparingSessions;
use App\Day\NextDate;
use App\Failure\QuietConnection;
use App\HouseRules\HouseRules;
use App\Invitations\FollowAddress;
use App\Invitations\MarkStale;
use App\Invitations\PostRoom;
use App\Invitations\RelayLetters;
use App\Invitations\SmtpPostRoom;
use App\Invitations\WatchWorkers;
use App\Invitations\WriteAccountMail;
use App\Joining\Bridge;
use App\Joining\BridgeOffers;
use App\Joining\BridgePause;
use App\Joining\HttpBridge;
use App\Joining\KitChanged;
use App\Joining\SystemRandomness;
use App\Joining\WantedRooms;
use App\Operations\Dns;
use App\Operations\SystemDns;
use App\Operations\TableDns;
use App\People\AccountMail;
use App\People\BusyTimesChanged;
use App\People\CalendarSource;
use App\People\ComingUp;
use App\People\Holidays;
use App\People\Hours;
use App\People\HttpCalendarSource;
use App\People\OwnEvents;
use App\People\PersonAddressChanged;
use App\People\RecentlyMet;
use App\Planning\LockedRooms;
use App\Planning\NoticeClashes;
use App\Planning\PeopleOfLastMeetings;
use App\Planning\UidsOfMeetings;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Contracts\Encryption\Encrypter;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\Facades\URL;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use Syndex\Core\Joining\Randomness;
use Syndex\Core\Sentence\English\English;
use Syndex\Core\Sentence\Grammar;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\SystemZoneData;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Time\ZoneNames;

/** Ties the ports of the rooms to what stands behind them. */
final class SyndexServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        Connection::resolverFor('mariadb', static fn(\PDO|\Closure $pdo, string $database, string $prefix, array $config): QuietConnection => new QuietConnection($pdo, $database, $prefix, $config));
        $this->app->singleton(ZoneData::class, static function (): ZoneData {
            $version = self::zoneDataVersion();
            $held = self::heldZones($version);
            PlaceName::remember($held['places'] ?? []);

            return new SystemZoneData($version, $held['tables'] ?? []);
        });
        $this->app->singleton(ZoneNames::class, static fn(Application $app): ZoneNames => new ZoneNames($zones = $app->make(ZoneData::class), self::heldZones($zones->version())['names'] ?? null));
        $this->app->scoped(Holidays::class);
        $this->app->scoped(Hours::class);
        $this->app->singleton(Grammar::class, English::class);
        $this->app->bind(AccountMail::class, WriteAccountMail::class);
        $this->app->bind(ComingUp::class, NextDate::class);
        $this->app->bind(RecentlyMet::class, PeopleOfLastMeetings::class);
        $this->app->bind(OwnEvents::class, UidsOfMeetings::class);
        $this->app->bind(CalendarSource::class, static fn(Application $app): HttpCalendarSource => new HttpCalendarSource($app->make(HouseRules::class), (int) config('syndex.calendars.connect_seconds'), (int) config('syndex.calendars.seconds')));
        $this->app->bind(WantedRooms::class, LockedRooms::class);
        $this->app->singleton(Randomness::class, SystemRandomness::class);
        $this->app->singleton(Bridge::class, static fn(): Bridge => new HttpBridge(
            (string) config('syndex.bridge.url'),
            (string) config('syndex.bridge.key'),
            (int) config('syndex.bridge.timeout_seconds'),
            new BridgePause(Cache::store('progress')),
        ));
        $this->app->scoped(BridgeOffers::class, static fn(Application $app): BridgeOffers => new BridgeOffers($app->make(Bridge::class), Cache::store('progress')));
        $this->app->singleton(PostRoom::class, static fn(): PostRoom => new SmtpPostRoom(
            (string) config('syndex.post_room.host'),
            (int) config('syndex.post_room.port'),
            (int) config('syndex.post_room.greeting_seconds'),
            (int) config('syndex.post_room.answer_seconds'),
            (string) config('syndex.mail_domain'),
            greeted: (new RelayLetters())->note(...),
        ));
        // What is remembered from one look to the next lives as long as the worker.
        $this->app->singleton(WatchWorkers::class, static fn(): WatchWorkers => new WatchWorkers(static fn(): float => hrtime(true) / 1e9));
        $this->app->singleton(SignInPace::class, static fn(Application $app): SignInPace => new SignInPace($app->make(Repository::class)));
    }

    public function boot(Application $app): void
    {
        Session::extend('sparing', static fn(Application $app): SparingSessions => new SparingSessions(
            $app->make('db')->connection(),
            (string) config('session.table'),
            (int) config('session.lifetime'),
            $app->make(Encrypter::class),
        ));
        Model::shouldBeStrict($app->environment('testing', 'local'));
        Date::use(\Carbon\CarbonImmutable::class);
        JsonResource::withoutWrapping();
        URL::forceRootUrl((string) config('app.url'));
        // Behind nginx and a load balancer the port seen here is not the one in the browser.
        Vite::createAssetPathsUsing(static fn(string $path): string => '/' . $path);
        $this->app->bind(Dns::class, static fn(): Dns => is_string($table = config('syndex.dns_table')) && $table !== '' ? new TableDns($table) : new SystemDns());
        Event::listen(PersonAddressChanged::class, FollowAddress::class);
        Event::listen(KitChanged::class, MarkStale::class);
        Event::listen(BusyTimesChanged::class, NoticeClashes::class);
        // Whose word counts for where a request comes from.
        TrustProxies::at(config('syndex.trusted_proxies'));
    }

    /** @return array{tables?: array<string, array{list<int>, list<int>, list<int>}>, places?: array<string, string>, names?: array<string, ?string>} what `start` wrote down of the zones, if it is of these very zone data */
    private static function heldZones(string $version): array
    {
        $file = config('syndex.zone_tables');
        $held = is_string($file) && is_file($file) ? require $file : null;

        return is_array($held) && $held['version'] === $version ? $held : [];
    }

    private static function zoneDataVersion(): string
    {
        $file = @fopen('/usr/share/zoneinfo/tzdata.zi', 'r');

        return $file !== false && preg_match('/^# version (\S+)/', (string) fgets($file), $m) === 1 ? $m[1] : timezone_version_get();
    }
}

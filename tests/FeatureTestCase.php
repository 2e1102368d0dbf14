<?php

declare(strict_types=1);

namespace Tests;

use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PDO;

/**
 * Tests against the real MariaDB of the tests' own house, in a database of their own. What a test writes is taken
 * away after it; tests that commit for others to see say so and empty the tables themselves.
 */
abstract class FeatureTestCase extends TestCase
{
    private const DATABASE = 'syndex_feature';

    private static bool $made = false;

    public function createApplication(): Application
    {
        putenv('DB_DATABASE=' . self::DATABASE);
        $_ENV['DB_DATABASE'] = $_SERVER['DB_DATABASE'] = self::DATABASE;
        /** @var Application $app */
        $app = require __DIR__ . '/../bootstrap/app.php';
        $app->make(Kernel::class)->bootstrap();
        // Nothing of a test is told to the house's own pages.
        config(['syndex.live.publish_url' => null, 'syndex.outbox.hold_seconds' => 0, 'syndex.demo' => false, 'cache.default' => 'array', 'cache.stores.progress' => ['driver' => 'array']]);
        if (!self::$made) {
            $this->makeDatabase();
            self::$made = true;
        }

        return $app;
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->withoutVite();
        DB::beginTransaction();
    }

    protected function tearDown(): void
    {
        while (DB::transactionLevel() > 0) {
            DB::rollBack();
        }
        DB::disconnect();
        parent::tearDown();
    }

    private function makeDatabase(): void
    {
        $settings = config('database.connections.mariadb');
        $pdo = new PDO('mysql:unix_socket=' . $settings['unix_socket'], $settings['username'], $settings['password']);
        $pdo->exec('drop database if exists `' . self::DATABASE . '`');
        $pdo->exec('create database `' . self::DATABASE . '` character set utf8mb4 collate utf8mb4_unicode_ci');
        Artisan::call('migrate', ['--force' => true]);
    }
}

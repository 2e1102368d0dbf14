<?php

declare(strict_types=1);

namespace Tests\Browser\Support;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;

/** A headless Chromium of our own, on a free loopback port, ended by its process id. */
final class Chrome
{
    /** @var resource|null */
    private $process = null;

    private ?RemoteWebDriver $driver = null;

    private readonly string $profile;

    private int $port = 0;

    public function __construct()
    {
        $this->profile = sys_get_temp_dir() . '/syndex-chrome-' . bin2hex(random_bytes(6));
    }

    /** @param array{width?: int, height?: int, dark?: bool, zone?: string} $device */
    public function open(array $device = []): RemoteWebDriver
    {
        $this->startDriver();
        $options = new ChromeOptions();
        $options->setBinary('/usr/bin/chromium');
        $options->addArguments([
            '--headless=new', '--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update', '--disable-sync',
            '--no-first-run', '--disable-quic', '--disable-dev-shm-usage', '--user-data-dir=' . $this->profile,
        ]);
        $options->setExperimentalOption('prefs', ['intl.accept_languages' => 'en-GB,en']);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);
        $this->driver = RemoteWebDriver::create('http://127.0.0.1:' . $this->port, $capabilities, 20000, 60000);
        $this->device($device);

        return $this->driver;
    }

    /** @param array{width?: int, height?: int, dark?: bool, zone?: string} $device */
    public function device(array $device): void
    {
        assert($this->driver !== null);
        $tools = new ChromeDevToolsDriver($this->driver);
        $tools->execute('Emulation.setDeviceMetricsOverride', ['width' => $device['width'] ?? 1280, 'height' => $device['height'] ?? 800, 'deviceScaleFactor' => 1, 'mobile' => false]);
        $tools->execute('Emulation.setTimezoneOverride', ['timezoneId' => $device['zone'] ?? 'Africa/Nairobi']);
        $tools->execute('Emulation.setEmulatedMedia', ['features' => [
            ['name' => 'prefers-color-scheme', 'value' => ($device['dark'] ?? false) ? 'dark' : 'light'],
            ['name' => 'prefers-reduced-motion', 'value' => 'reduce'],
        ]]);
        $tools->execute('Browser.grantPermissions', ['permissions' => ['clipboardReadWrite', 'clipboardSanitizedWrite']]);
    }

    public function forget(): void
    {
        assert($this->driver !== null);
        (new ChromeDevToolsDriver($this->driver))->execute('Network.clearBrowserCookies');
    }

    public function quit(): void
    {
        $this->driver?->quit();
        $this->driver = null;
        if ($this->process !== null) {
            proc_terminate($this->process);
            proc_close($this->process);
            $this->process = null;
        }
        if (is_dir($this->profile)) {
            exec('rm -rf ' . escapeshellarg($this->profile));
        }
    }

    private function startDriver(): void
    {
        if ($this->process !== null) {
            return;
        }
        $this->port = self::freePort();
        $process = proc_open(['/usr/bin/chromedriver', '--port=' . $this->port, '--log-level=SEVERE'], [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']], $pipes);
        assert(is_resource($process));
        $this->process = $process;
        // Nobody listens at first, which is no warning to anybody.
        set_error_handler(static fn(): bool => true);
        try {
            for ($i = 0; $i < 200; $i++) {
                $socket = stream_socket_client('tcp://127.0.0.1:' . $this->port, timeout: 1);
                if ($socket !== false) {
                    fclose($socket);

                    return;
                }
                usleep(50_000);
            }
        } finally {
            restore_error_handler();
        }
        throw new \RuntimeException('ChromeDriver does not answer.');
    }

    private static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        assert($socket !== false);
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);

        return $port;
    }
}

<?php

declare(strict_types=1);

namespace App\Operations\Bench;

use App\People\Account;
use App\People\DemoPassword;
use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use GuzzleHttp\Pool;
use Psr\Http\Message\ResponseInterface;

/** Somebody signed in who reads, and how long each answer takes. */
final readonly class Reader
{
    private function __construct(private Client $client, private string $token) {}

    public static function signedIn(): self
    {
        $jar = new CookieJar();
        $client = new Client(['base_uri' => (string) config('app.url'), 'cookies' => $jar, 'headers' => ['Accept' => 'application/json']]);
        $client->get('/api/session');
        $token = static fn(): string => urldecode((string) $jar->getCookieByName('XSRF-TOKEN')?->getValue());
        $client->post('/api/session', ['json' => ['email' => Account::query()->firstOrFail()->email, 'password' => DemoPassword::TEXT], 'headers' => ['X-XSRF-TOKEN' => $token()]]);

        return new self($client, $token());
    }

    /** @return float milliseconds */
    public function get(string $path): float
    {
        $began = hrtime(true);
        $this->client->get($path);

        return (hrtime(true) - $began) / 1e6;
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array{float, int} milliseconds, octets of the answer
     */
    public function post(string $path, array $body): array
    {
        $began = hrtime(true);
        $answer = $this->client->post($path, ['json' => $body, 'headers' => ['X-XSRF-TOKEN' => $this->token]]);

        return [(hrtime(true) - $began) / 1e6, strlen((string) $answer->getBody())];
    }

    /**
     * So many who read at once, each the next page as soon as one has come.
     *
     * @param  list<string>  $paths
     * @return array{float, list<float>} requests a second, milliseconds of each
     */
    public function together(int $readers, int $seconds, array $paths): array
    {
        $times = [];
        $began = hrtime(true);
        $end = $began + $seconds * 1_000_000_000;
        $requests = function () use (&$times, $end, $paths): \Generator {
            for ($i = 0; hrtime(true) < $end; $i++) {
                yield function () use (&$times, $paths, $i) {
                    $asked = hrtime(true);

                    return $this->client->getAsync($paths[$i % count($paths)])->then(static function (ResponseInterface $answer) use (&$times, $asked): void {
                        $times[] = (hrtime(true) - $asked) / 1e6;
                    });
                };
            }
        };
        (new Pool($this->client, $requests(), ['concurrency' => $readers]))->promise()->wait();

        return [count($times) / ((hrtime(true) - $began) / 1e9), $times];
    }
}

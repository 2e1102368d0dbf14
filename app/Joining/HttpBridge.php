<?php

declare(strict_types=1);

namespace App\Joining;

use App\Failure\BridgeFailed;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Http\Client\RequestException;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Http;
use Syndex\Core\CoreException;
use Syndex\Core\Joining\BridgeAccount;
use Syndex\Core\Joining\DialIn;
use Syndex\Core\Joining\MeetingNumber;
use Syndex\Core\Joining\Passcode;
use Syndex\Core\Joining\Pin;

/** The bridge over its HTTP interface (docs/bridge-protocol.md). */
final readonly class HttpBridge implements Bridge
{
    /** A line that was cut at once is tried once more: every request may be repeated. */
    private const AGAIN_WITHIN_SECONDS = 0.5;

    public function __construct(private string $url, #[\SensitiveParameter] private string $key, private int $timeoutSeconds, private BridgePause $pause) {}

    public function settle(string $ref, RoomWanted $wanted, Passcode $passcode, Pin $pin): BridgeMeeting
    {
        $response = $this->ask(static fn(PendingRequest $http): Response => $http->put('/rooms/' . rawurlencode($ref), ['title' => $wanted->title, 'passcode' => $passcode->text, 'pin' => $pin->digits, 'rules' => $wanted->rules(), 'people' => $wanted->people, 'times' => $wanted->times, ...($wanted->account === null ? [] : ['account' => $wanted->account]), ...($wanted->address === null ? [] : ['address' => $wanted->address])]));
        try {
            $said = $response->json();
            if (self::text($said, 'id') === '') {
                throw BridgeFailed::nonsense();
            }
            $openLink = self::text($said, 'open_link');

            return new BridgeMeeting(mb_strimwidth(self::text($said, 'id'), 0, 64), self::link(self::text($said, 'link')), MeetingNumber::of(self::text($said, 'number')), self::dialIns($said), $openLink === '' ? null : self::link($openLink));
        } catch (CoreException) {
            throw BridgeFailed::nonsense();
        }
    }

    public function accounts(): array
    {
        $said = $this->ask(static fn(PendingRequest $http): Response => $http->get('/accounts'))->json('accounts');
        $bound = static fn(mixed $of, string $key): ?int => is_array($of) && is_int($of[$key] ?? null) && $of[$key] > 0 ? $of[$key] : null;

        return array_map(static fn(mixed $a): BridgeAccount => self::text($a, 'id') === '' ? throw BridgeFailed::nonsense() : new BridgeAccount(
            mb_strimwidth(self::text($a, 'id'), 0, 40),
            mb_strimwidth(self::text($a, 'name'), 0, 80),
            $bound($a, 'minutes'),
            $bound($a, 'people'),
            $bound($a, 'co_hosts'),
            is_array($a) && is_array($a['features'] ?? null) ? array_values(array_filter($a['features'], is_string(...))) : [],
        ), is_array($said) ? array_values($said) : throw BridgeFailed::nonsense());
    }

    public function numbers(): array
    {
        try {
            return self::dialIns($this->ask(static fn(PendingRequest $http): Response => $http->get('/numbers'))->json());
        } catch (CoreException) {
            throw BridgeFailed::nonsense();
        }
    }

    public function close(string $ref): void
    {
        $this->ask(static fn(PendingRequest $http): Response => $http->delete('/rooms/' . rawurlencode($ref)), [404, 410]);
    }

    /** @return list<DialIn> */
    private static function dialIns(mixed $said): array
    {
        $numbers = is_array($said) && is_array($said['dial_ins'] ?? null) ? array_values($said['dial_ins']) : [];

        return array_map(static fn(mixed $n): DialIn => DialIn::of(self::text($n, 'country'), self::text($n, 'number'), is_array($n) && ($n['free'] ?? false) === true), $numbers);
    }

    private static function link(string $said): string
    {
        return preg_match('#\Ahttps?://\S{1,480}\z#', $said) === 1 ? $said : throw BridgeFailed::nonsense();
    }

    private static function text(mixed $from, string $key): string
    {
        return is_array($from) && is_scalar($from[$key] ?? null) ? (string) $from[$key] : '';
    }

    /**
     * @param  callable(PendingRequest): Response  $question
     * @param  list<int>  $alsoFine
     */
    private function ask(callable $question, array $alsoFine = []): Response
    {
        if ($this->pause->isOn()) {
            throw BridgeFailed::resting();
        }
        $began = hrtime(true);
        try {
            try {
                $response = $question($this->http());
            } catch (ConnectionException $cut) {
                $response = (hrtime(true) - $began) / 1e9 < self::AGAIN_WITHIN_SECONDS ? $question($this->http()) : throw $cut;
            }
        } catch (ConnectionException|RequestException $silent) {
            $this->pause->silent();

            throw BridgeFailed::silent($silent);
        }
        $this->pause->answered();

        return $response->successful() || in_array($response->status(), $alsoFine, true) ? $response : throw BridgeFailed::refused($response->status());
    }

    private function http(): PendingRequest
    {
        return Http::baseUrl($this->url)->withToken($this->key)->acceptJson()->asJson()->timeout($this->timeoutSeconds)->connectTimeout($this->timeoutSeconds);
    }
}

<?php

declare(strict_types=1);

namespace App\Joining;

use App\Failure\BridgeFailed;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Http;
use Syndex\Core\CoreException;
use Syndex\Core\Joining\DialIn;
use Syndex\Core\Joining\MeetingNumber;
use Syndex\Core\Joining\Passcode;
use Syndex\Core\Joining\Pin;

/** The bridge over its HTTP interface (docs/bridge-protocol.md). */
final readonly class HttpBridge implements Bridge
{
    public function __construct(private string $url, #[\SensitiveParameter] private string $key, private int $timeoutSeconds) {}

    public function open(string $title, Passcode $passcode, Pin $pin): BridgeMeeting
    {
        $response = $this->ask(static fn(PendingRequest $http): Response => $http->post('/meetings', ['title' => $title, 'passcode' => $passcode->text, 'pin' => $pin->digits]));
        try {
            return new BridgeMeeting(
                (string) $response->json('id'),
                (string) $response->json('link'),
                MeetingNumber::of((string) $response->json('number')),
                array_map(static fn(array $n): DialIn => DialIn::of((string) ($n['country'] ?? ''), (string) ($n['number'] ?? '')), array_values((array) $response->json('dial_ins'))),
            );
        } catch (CoreException) {
            throw BridgeFailed::refused($response->status());
        }
    }

    public function changePasscode(string $bridgeId, Passcode $passcode): void
    {
        $this->ask(static fn(PendingRequest $http): Response => $http->patch('/meetings/' . rawurlencode($bridgeId), ['passcode' => $passcode->text]));
    }

    public function close(string $bridgeId): void
    {
        $this->ask(static fn(PendingRequest $http): Response => $http->delete('/meetings/' . rawurlencode($bridgeId)), [404, 410]);
    }

    /**
     * @param  callable(PendingRequest): Response  $question
     * @param  list<int>  $alsoFine
     */
    private function ask(callable $question, array $alsoFine = []): Response
    {
        try {
            $response = $question(Http::baseUrl($this->url)->withToken($this->key)->acceptJson()->asJson()->timeout($this->timeoutSeconds)->connectTimeout($this->timeoutSeconds));
        } catch (ConnectionException $silent) {
            throw BridgeFailed::silent($silent);
        }

        return $response->successful() || in_array($response->status(), $alsoFine, true) ? $response : throw BridgeFailed::refused($response->status());
    }
}

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
use Syndex\Core\Joining\DialIn;
use Syndex\Core\Joining\MeetingNumber;
use Syndex\Core\Joining\Passcode;
use Syndex\Core\Joining\Pin;

/** The bridge over its HTTP interface (docs/bridge-protocol.md). */
final readonly class HttpBridge implements Bridge
{
    public function __construct(private string $url, #[\SensitiveParameter] private string $key, private int $timeoutSeconds) {}

    public function settle(string $ref, string $title, Passcode $passcode, Pin $pin): BridgeMeeting
    {
        $response = $this->ask(static fn(PendingRequest $http): Response => $http->put('/rooms/' . rawurlencode($ref), ['title' => $title, 'passcode' => $passcode->text, 'pin' => $pin->digits]));
        try {
            $said = $response->json();
            $text = static fn(mixed $from, string $key): string => is_array($from) && is_scalar($from[$key] ?? null) ? (string) $from[$key] : '';
            $dialIns = is_array($said) && is_array($said['dial_ins'] ?? null) ? array_values($said['dial_ins']) : [];
            if ($text($said, 'id') === '' || preg_match('#\Ahttps?://\S{1,480}\z#', $text($said, 'link')) !== 1) {
                throw BridgeFailed::nonsense();
            }

            return new BridgeMeeting(
                mb_strimwidth($text($said, 'id'), 0, 64),
                $text($said, 'link'),
                MeetingNumber::of($text($said, 'number')),
                array_map(static fn(mixed $n): DialIn => DialIn::of($text($n, 'country'), $text($n, 'number')), $dialIns),
            );
        } catch (CoreException) {
            throw BridgeFailed::nonsense();
        }
    }

    public function close(string $ref): void
    {
        $this->ask(static fn(PendingRequest $http): Response => $http->delete('/rooms/' . rawurlencode($ref)), [404, 410]);
    }

    /**
     * @param  callable(PendingRequest): Response  $question
     * @param  list<int>  $alsoFine
     */
    private function ask(callable $question, array $alsoFine = []): Response
    {
        try {
            $response = $question(Http::baseUrl($this->url)->withToken($this->key)->acceptJson()->asJson()->timeout($this->timeoutSeconds)->connectTimeout($this->timeoutSeconds));
        } catch (ConnectionException|RequestException $silent) {
            throw BridgeFailed::silent($silent);
        }

        return $response->successful() || in_array($response->status(), $alsoFine, true) ? $response : throw BridgeFailed::refused($response->status());
    }
}

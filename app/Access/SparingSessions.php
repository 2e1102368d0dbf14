<?php

declare(strict_types=1);

namespace App\Access;

use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Contracts\Encryption\Encrypter;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Session\DatabaseSessionHandler;

/**
 * Sessions in the database that are written where something changed, and once a minute else: whoever only reads costs the database
 * no write. Twelve hours without a request end a session, so a minute more or less is nothing.
 */
final class SparingSessions extends DatabaseSessionHandler
{
    private const SECONDS = 60;

    /** Where somebody was last: pages here are asked for by their address, so nobody is ever sent back to it. */
    private const IDLE = ['_previous' => true];

    /** @var array<mixed>|null what the session held when it was read */
    private ?array $held = null;

    private string $heldId = '';

    private int $lastActivity = 0;

    public function __construct(ConnectionInterface $connection, string $table, int $minutes, private readonly Encrypter $encrypter)
    {
        parent::__construct($connection, $table, $minutes);
    }

    #[\Override]
    public function read($sessionId): string
    {
        $session = $this->getQuery()->find($sessionId);
        $this->exists = $session !== null;
        $this->held = null;
        if (!is_object($session) || !isset($session->payload, $session->last_activity) || $session->last_activity < now()->getTimestamp() - $this->minutes * 60) {
            return '';
        }
        $data = (string) base64_decode((string) $session->payload);
        [$this->held, $this->heldId, $this->lastActivity] = [$this->content($data), (string) $sessionId, (int) $session->last_activity];

        return $data;
    }

    #[\Override]
    public function write($sessionId, $data): bool
    {
        $isSame = $this->held !== null && $sessionId === $this->heldId && $this->held === $this->content($data);

        return ($isSame && now()->getTimestamp() - $this->lastActivity < self::SECONDS) || parent::write($sessionId, $data);
    }

    /** @return array<mixed>|null */
    private function content(string $data): ?array
    {
        try {
            $content = unserialize($this->encrypter->decrypt($data), ['allowed_classes' => false]);
        } catch (DecryptException) {
            return null;
        }

        return is_array($content) ? array_diff_key($content, self::IDLE) : null;
    }
}

<?php

declare(strict_types=1);

namespace Syndex\Core\Answers;

/** What tells a person's mail from one that a machine wrote by itself. Names of fields are in lower case, each with all its values. */
final readonly class MailFacts
{
    /** Subjects under which servers say by themselves that a mail waits (common practice, no published source). */
    private const DELAY = '/\b(delay(ed)?|warning: (message|could not)|still (being )?(retried|trying)|not yet (been )?delivered|will (be )?retried|verzögert|retard[ée]|retrasad|atrasad)/iu';

    /** @param array<string, list<string>> $headers */
    public function __construct(public array $headers, public string $envelopeFrom) {}

    /**
     * Whether it must not be answered by a machine (RFC 3834 2): it was written by one, came from a list, or has nobody to whom an
     * answer could go. Precedence and List-Id are common practice, no published source (RFC 3834 2 names them as heuristics).
     */
    public function isAutomatic(): bool
    {
        return $this->envelopeFrom === ''
            || self::isMachine($this->envelopeFrom)
            || $this->any('auto-submitted', static fn(string $v): bool => 1 !== preg_match('/^\s*no\s*(;|$|\()/i', $v))
            || $this->any('precedence', static fn(string $v): bool => preg_match('/^\s*(bulk|junk|list|auto_reply)\b/i', $v) === 1)
            || array_intersect(array_keys($this->headers), ['list-id', 'list-unsubscribe', 'x-autoreply', 'x-autorespond', 'x-autoresponse']) !== [];
    }

    /** An out-of-office answer (RFC 3834 5): written by a machine in answer to ours, and no report of a server. */
    public function isAutomaticReply(): bool
    {
        return $this->any('auto-submitted', static fn(string $v): bool => preg_match('/^\s*auto-(replied|notified)\b/i', $v) === 1)
            || array_intersect(array_keys($this->headers), ['x-autoreply', 'x-autorespond', 'x-autoresponse']) !== []
            || $this->any('precedence', static fn(string $v): bool => preg_match('/^\s*auto_reply\b/i', $v) === 1);
    }

    /** A report of a mail server in plain words: nobody sent it (RFC 5321 4.5.5), or the name is one that servers use. */
    public function isFromServer(string $author): bool
    {
        return $this->envelopeFrom === '' || self::isMachine($author);
    }

    /** Whether a plain report says that the mail waits still, and has not failed. */
    public static function saysDelay(string $subject, string $text): bool
    {
        return preg_match(self::DELAY, $subject) === 1 || preg_match('/(this is a warning message only|you do not need to resend|no action is required on your part)/i', $text) === 1;
    }

    private static function isMachine(string $address): bool
    {
        return preg_match('/^(mailer-daemon|postmaster|mail-daemon|no-?reply|do-?not-?reply)(\+[^@]*)?@/i', $address) === 1;
    }

    /** @param callable(string): bool $is */
    private function any(string $name, callable $is): bool
    {
        foreach ($this->headers[$name] ?? [] as $value) {
            if ($is($value)) {
                return true;
            }
        }

        return false;
    }
}

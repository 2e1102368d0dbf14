<?php

declare(strict_types=1);

namespace App\Invitations;

use Symfony\Component\Mailer\Envelope;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;
use Symfony\Component\Mailer\Exception\UnexpectedResponseException;
use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\Smtp\EsmtpTransport;
use Symfony\Component\Mailer\Transport\Smtp\Stream\SocketStream;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\RawMessage;

/** A mail server spoken to over SMTP (RFC 5321). */
final class SmtpPostRoom implements PostRoom
{
    /** After so many seconds of silence the server is asked whether it still listens, since many close an idle line within a minute. */
    private const IDLE_SECONDS = 10;

    private ?EsmtpTransport $transport = null;

    public function __construct(private readonly string $host, private readonly int $port, private readonly int $timeoutSeconds, private readonly string $ownDomain, private readonly int $idleSeconds = self::IDLE_SECONDS) {}

    public function deliver(string $mail, string $envelopeSender, string $recipient): string
    {
        try {
            $sent = $this->transport()->send(new RawMessage($mail), new Envelope(new Address($envelopeSender), [new Address($recipient)]));

            return $sent === null ? '' : self::lastAnswer($sent);
        } catch (UnexpectedResponseException $answer) {
            $this->close();
            $text = self::shortened(preg_match('/with message "(.*)"\.?$/s', $answer->getMessage(), $m) === 1 ? $m[1] : $answer->getMessage());

            throw $answer->getCode() >= 500 && $answer->getCode() < 600 ? DeliveryFailed::refused($text, $answer) : DeliveryFailed::forNow($text, $answer);
        } catch (TransportExceptionInterface $silence) {
            $this->close();

            throw DeliveryFailed::forNow(self::shortened($silence->getMessage()), $silence);
        }
    }

    private function transport(): EsmtpTransport
    {
        if ($this->transport === null) {
            $stream = (new SocketStream())->setTimeout($this->timeoutSeconds);
            $this->transport = (new EsmtpTransport($this->host, $this->port, false, stream: $stream))->setLocalDomain($this->ownDomain)->setPingThreshold($this->idleSeconds);
        }

        return $this->transport;
    }

    /** After a failure nobody knows where the conversation stands: the next message begins a new one. */
    private function close(): void
    {
        try {
            $this->transport?->stop();
        } catch (TransportExceptionInterface) {
            // It is gone already.
        }
        $this->transport = null;
    }

    private static function lastAnswer(SentMessage $sent): string
    {
        preg_match_all('/^.*?< (\d{3} .*)$/m', $sent->getDebug(), $answers);
        $last = array_key_last($answers[1]);

        return $last === null ? '' : trim($answers[1][$last]);
    }

    private static function shortened(string $text): string
    {
        return mb_strimwidth(trim((string) preg_replace('/\s+/', ' ', $text)), 0, 400, '…');
    }
}

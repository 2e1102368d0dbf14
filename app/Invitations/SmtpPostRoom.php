<?php

declare(strict_types=1);

namespace App\Invitations;

use Symfony\Component\Mailer\Envelope;
use Symfony\Component\Mailer\Exception\TransportException;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;
use Symfony\Component\Mailer\Exception\UnexpectedResponseException;
use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\Smtp\Stream\SocketStream;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Exception\ExceptionInterface as MimeException;
use Symfony\Component\Mime\RawMessage;

/** A mail server spoken to over SMTP (RFC 5321). */
final class SmtpPostRoom implements PostRoom
{
    /** After so many seconds of silence the server is asked whether it still listens, since many close an idle line within a minute. */
    private const IDLE_SECONDS = 10;

    private ?RelayTransport $transport = null;

    private float $spokenAt = 0.0;

    /**
     * @param  int  $greetingSeconds  to reach it and be greeted
     * @param  int  $answerSeconds  to wait for its word on a mail (RFC 5321 4.5.3.2.6)
     * @param  (\Closure(bool): void)|null  $greeted  told whether it takes letters beyond ASCII before the @ (RFC 6531), whenever a conversation begins
     */
    public function __construct(private readonly string $host, private readonly int $port, private readonly int $greetingSeconds, private readonly int $answerSeconds, private readonly string $ownDomain, private readonly int $idleSeconds = self::IDLE_SECONDS, private readonly ?\Closure $greeted = null) {}

    public function open(): void
    {
        if ($this->transport !== null && hrtime(true) / 1e9 - $this->spokenAt < $this->idleSeconds) {
            return;
        }
        try {
            if ($this->transport !== null) {
                $this->transport->executeCommand("NOOP\r\n", [250]);
                $this->spokenAt = hrtime(true) / 1e9;

                return;
            }
        } catch (TransportExceptionInterface) {
            $this->close();
        }
        try {
            $this->knock();
            $transport = $this->transport();
            $transport->start();
            if ($this->greeted !== null) {
                ($this->greeted)($transport->takesLetters());
            }
            $this->spokenAt = hrtime(true) / 1e9;
        } catch (TransportExceptionInterface $silence) {
            $this->close();

            throw RelayAway::because(self::words($silence), $silence);
        }
    }

    public function deliver(string $mail, string $envelopeSender, string $recipient): string
    {
        try {
            $envelope = new Envelope(new Address($envelopeSender), [new Address($recipient)]);
        } catch (MimeException $impossible) {
            throw DeliveryFailed::refused(self::shortened($impossible->getMessage()), $impossible);
        }
        $this->open();
        try {
            $sent = $this->transport()->send(new RawMessage($mail), $envelope);
            $this->spokenAt = hrtime(true) / 1e9;

            return $sent === null ? '' : self::lastAnswer($sent);
        } catch (TransportExceptionInterface $failed) {
            $this->close();

            throw $this->judged($failed);
        }
    }

    /** Whom a failure concerns: what comes before RCPT concerns every mail, what comes after concerns this one. */
    private function judged(TransportExceptionInterface $failed): DeliveryFailed|RelayAway
    {
        $code = $failed instanceof UnexpectedResponseException ? $failed->getCode() : 0;
        $said = preg_match_all('/^.*?> (EHLO|HELO|MAIL FROM|RCPT TO|DATA|\.$)/m', $failed->getDebug(), $commands) > 0 ? $commands[1][count($commands[1]) - 1] : '';
        $ofAll = in_array($code, [421, 530, 534, 535], true) || in_array($said, ['', 'EHLO', 'HELO', 'MAIL FROM'], true);

        return match (true) {
            // "Try without" is no answer to a mail that needs letters the server does not know.
            str_contains($failed->getMessage(), 'non-ASCII') => DeliveryFailed::refused(self::words($failed), $failed),
            $ofAll => RelayAway::because(self::words($failed), $failed),
            $code >= 500 && $code < 600 => DeliveryFailed::refused(self::words($failed), $failed),
            $code === 0 => DeliveryFailed::unanswered(self::words($failed), $failed),
            default => DeliveryFailed::forNow(self::words($failed), $failed),
        };
    }

    /** A server that cannot be reached, or does not greet, must not take as long to tell as one that thinks about a mail. */
    private function knock(): void
    {
        $line = @stream_socket_client("tcp://$this->host:$this->port", $number, $why, $this->greetingSeconds);
        if ($line === false) {
            throw new TransportException("no connection: $why");
        }
        try {
            stream_set_timeout($line, $this->greetingSeconds);
            $greeting = fgets($line, 600);
            if ($greeting === false) {
                throw new TransportException('connected, but not greeted');
            }
            if (!str_starts_with($greeting, '220')) {
                throw new TransportException(trim($greeting));
            }
            @fwrite($line, "QUIT\r\n");
        } finally {
            fclose($line);
        }
    }

    private function transport(): RelayTransport
    {
        if ($this->transport === null) {
            $stream = (new SocketStream())->setTimeout($this->answerSeconds);
            // Whether it still listens is asked in open().
            $this->transport = (new RelayTransport($this->host, $this->port, false, stream: $stream))->setLocalDomain($this->ownDomain)->setPingThreshold(86400);
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

    private static function words(TransportExceptionInterface $failed): string
    {
        return self::shortened(preg_match('/with message "(.*)"\.?$/s', $failed->getMessage(), $m) === 1 ? $m[1] : $failed->getMessage());
    }

    private static function lastAnswer(SentMessage $sent): string
    {
        preg_match_all('/^.*?< (\d{3} .*)$/m', $sent->getDebug(), $answers);
        $last = array_key_last($answers[1]);

        return $last === null ? '' : trim($answers[1][$last]);
    }

    private static function shortened(string $text): string
    {
        return mb_strimwidth(trim((string) preg_replace('/\s+/', ' ', mb_scrub($text))), 0, 400, '…');
    }
}

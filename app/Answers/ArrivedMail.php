<?php

declare(strict_types=1);

namespace App\Answers;

use Syndex\Core\Answers\DeliveryReport;
use Syndex\Core\Answers\MailFacts;
use ZBateson\MailMimeParser\Header\AddressHeader;
use ZBateson\MailMimeParser\Header\IHeader;
use ZBateson\MailMimeParser\Message;

/** A mail that came in, taken apart as far as answers need it. */
final readonly class ArrivedMail
{
    /** Signs of what somebody wrote that are kept. */
    private const MOST_WORDS = 1000;

    private const MOST_PARTS = 200;

    /**
     * @param  string  $author  address of the From field; empty: none, or several
     * @param  ?string  $calendar  the iCalendar text in it
     * @param  list<DeliveryReport>  $reports  of mail servers
     */
    private function __construct(public string $octets, public MailFacts $facts, public string $author, public string $subject, public ?string $calendar, public string $words, public array $reports, public string $digest) {}

    /** @param string $envelopeFrom MAIL FROM; empty: nobody (RFC 5321 4.5.5) */
    public static function read(string $octets, string $envelopeFrom): self
    {
        $mail = Message::from($octets, false);
        $headers = [];
        foreach ($mail->getAllHeaders() as $header) {
            $headers[strtolower($header->getName())][] = $header->getRawValue();
        }
        $calendar = null;
        $reports = [];
        foreach (array_slice($mail->getAllParts(), 0, self::MOST_PARTS) as $part) {
            $type = strtolower($part->getContentType());
            if ($calendar === null && in_array($type, ['text/calendar', 'application/ics'], true)) {
                $calendar = (string) self::tried($part->getContent(...));
            } elseif ($type === 'message/delivery-status' || $type === 'message/global-delivery-status') {
                $reports = [...$reports, ...DeliveryReport::read((string) self::tried($part->getContent(...)))];
            }
        }
        $from = $mail->getHeader('From');
        $authors = $from instanceof AddressHeader ? $from->getAddresses() : [];
        $author = count($authors) === 1 ? trim((string) self::tried($authors[0]->getEmail(...))) : '';
        $words = self::own((string) self::tried($mail->getTextContent(...)));
        $id = self::raw($mail->getHeader('Message-ID'));

        return new self(
            $octets,
            new MailFacts($headers, $envelopeFrom),
            mb_check_encoding($author, 'UTF-8') ? $author : '',
            mb_strimwidth(mb_scrub((string) self::tried(static fn(): ?string => $mail->getHeaderValue('Subject'))), 0, 300, '…'),
            $calendar,
            $words,
            $reports,
            hash('sha256', $id . "\n" . mb_strtolower($author) . "\n" . $calendar . "\n" . ($id === '' ? $octets : '')),
        );
    }

    /** @return list<string> as the servers wrote them */
    public function authenticationResults(): array
    {
        return $this->facts->headers['authentication-results'] ?? [];
    }

    public function domain(): string
    {
        return mb_strtolower(substr((string) strrchr($this->author, '@'), 1));
    }

    /**
     * What stands in an encoding that nobody knows cannot be read, and is as if it were not there.
     *
     * @param  callable(): ?string  $read
     */
    private static function tried(callable $read): ?string
    {
        try {
            return $read();
        } catch (\ErrorException|\ValueError) {
            return null;
        }
    }

    private static function raw(?IHeader $header): string
    {
        return $header === null ? '' : trim($header->getRawValue());
    }

    /** What they wrote themselves, above what they quote. */
    private static function own(string $text): string
    {
        $lines = [];
        foreach (preg_split('/\R/u', mb_scrub($text)) ?: [] as $line) {
            if (str_starts_with($line, '>') || preg_match('/^-- ?$|^-{3,}\s*\w.*-{3,}$|^_{10,}$/u', $line) === 1) {
                break;
            }
            $lines[] = $line;
        }
        // "On Tuesday somebody wrote:" stands right above what is quoted.
        while ($lines !== [] && (trim((string) end($lines)) === '' || str_ends_with(trim((string) end($lines)), ':'))) {
            array_pop($lines);
        }

        return mb_strimwidth(trim((string) preg_replace('/[\x00-\x08\x0B-\x1F\x7F]/', '', implode("\n", $lines))), 0, self::MOST_WORDS, '…');
    }
}

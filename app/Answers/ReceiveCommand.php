<?php

declare(strict_types=1);

namespace App\Answers;

use Illuminate\Console\Command;
use Illuminate\Database\QueryException;
use ZBateson\MailMimeParser\Header\AddressHeader;
use ZBateson\MailMimeParser\Message;

/**
 * One mail on standard input, as the pipe of any mail server hands it over. It ends as such pipes expect (sysexits.h, common practice):
 * 0 it is kept; 67 there is no such address here; 65 it is no mail, or too large; 75 not now, it is to be tried again.
 */
final class ReceiveCommand extends Command
{
    private const NO_MAIL = 65;

    private const NO_SUCH_ADDRESS = 67;

    private const LATER = 75;

    protected $signature = 'mail:receive {--sender= : MAIL FROM; empty for nobody} {--recipient=* : RCPT TO}';

    protected $description = 'Takes one mail from standard input (used by bin/syndex mail receive)';

    public function handle(ReceiveMail $receive): int
    {
        $octets = (string) stream_get_contents(STDIN, ReceiveMail::MOST + 1);
        if (strlen($octets) > ReceiveMail::MOST) {
            return $this->said(self::NO_MAIL, 'It is larger than ' . intdiv(ReceiveMail::MOST, 1_000_000) . ' MB and answers nothing.');
        }
        if (preg_match('/^(From |[!-9;-~]+[ \t]*:)/', $octets) !== 1) {
            return $this->said(self::NO_MAIL, 'This is no mail: it begins with no header field (RFC 5322 2.2).');
        }
        try {
            $replies = $receive($octets, $this->sender($octets), $this->recipients($octets));
        } catch (QueryException|\PDOException) {
            return $this->said(self::LATER, 'The database does not answer; try again.');
        }

        return match (true) {
            $replies === null => $this->said(self::NO_SUCH_ADDRESS, 'There is no such address here.'),
            $replies === [] => $this->said(self::SUCCESS, 'It came before.'),
            default => $this->said(self::SUCCESS, implode("\n", array_map(static fn(Reply $r): string => trim("{$r->kind->value} {$r->state->value} $r->why"), $replies))),
        };
    }

    private function said(int $status, string $text): int
    {
        $this->line($text);

        return $status;
    }

    /** As given, else as the server that took it wrote it down (RFC 5321 4.4). */
    private function sender(string $octets): string
    {
        $given = $this->option('sender');
        if (is_string($given)) {
            return trim($given, "<> \t");
        }
        $path = (string) Message::from($octets, false)->getHeader('Return-Path')?->getRawValue();

        return trim($path, "<> \t\r\n");
    }

    /** @return list<string> */
    private function recipients(string $octets): array
    {
        $given = array_values(array_filter((array) $this->option('recipient'), is_string(...)));
        if ($given !== []) {
            return array_map(static fn(string $to): string => trim($to, "<> \t"), $given);
        }
        $found = [];
        foreach (Message::from($octets, false)->getAllHeaders() as $header) {
            if (in_array(strtolower($header->getName()), ['delivered-to', 'x-original-to', 'envelope-to', 'to', 'cc'], true)) {
                $found = [...$found, ...($header instanceof AddressHeader ? array_map(static fn($a): string => $a->getEmail(), $header->getAddresses()) : [trim($header->getRawValue(), "<> \t\r\n")])];
            }
        }

        return array_values(array_slice($found, 0, 100));
    }
}

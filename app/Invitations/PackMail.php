<?php

declare(strict_types=1);

namespace App\Invitations;

use App\People\Person;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Header\Headers;
use Symfony\Component\Mime\Message as MimeMessage;
use Symfony\Component\Mime\Part\AbstractPart;
use Symfony\Component\Mime\Part\DataPart;
use Symfony\Component\Mime\Part\Multipart\AlternativePart;
use Symfony\Component\Mime\Part\Multipart\MixedPart;
use Symfony\Component\Mime\Part\TextPart;
use Syndex\Core\Invitations\Message;

/**
 * Packs a letter and its calendar into one MIME message (RFC 6047 2.4 and 3): text, HTML and calendar as alternatives
 * of each other, and the calendar once more as a file for programs that look for one.
 */
final class PackMail
{
    /**
     * @param  string  $messageId  without angle brackets
     * @param  ?string  $picture  of the link, a PNG
     * @param  bool  $isReplied  it answers a mail that came in (RFC 3834 3.1.7)
     */
    public static function invitation(MeetingAsTold $told, Person $to, Letter $letter, Message $message, string $messageId, ?string $picture = null, bool $isReplied = false): string
    {
        $body = new MixedPart(
            new AlternativePart(
                self::words($letter->text, 'plain'),
                self::words($letter->html, 'html'),
                new CalendarPart($message->ics, $message->method->value),
            ),
            new DataPart($message->ics, 'invite.ics', 'application/ics', 'base64'),
            ...($picture === null ? [] : [new DataPart($picture, 'link.png', 'image/png', 'base64')]),
        );
        $address = CoreMeeting::addressOf($told->meeting);

        return self::pack(new Address($address, $told->host()->called()), new Address($to->email, $to->name ?? ''), $letter->subject, $messageId, $body, $letter->language, $isReplied ? 'auto-replied' : 'auto-generated');
    }

    /** Words alone, in plain text and in HTML. */
    public static function letter(Address $from, Person $to, Letter $letter, string $messageId): string
    {
        return self::pack($from, new Address($to->email, $to->name ?? ''), $letter->subject, $messageId, new AlternativePart(self::words($letter->text, 'plain'), self::words($letter->html, 'html')), $letter->language);
    }

    public static function plain(Address $from, Address $to, string $subject, string $text, string $messageId): string
    {
        return self::pack($from, $to, $subject, $messageId, self::words($text, 'plain'));
    }

    /** With CRLF before it is encoded (RFC 2045 6.7 (4)), so that a line of the text is a line of the mail. */
    private static function words(string $text, string $subtype): TextPart
    {
        return new TextPart((string) preg_replace('/\r\n?|\n/', "\r\n", $text), 'utf-8', $subtype, 'quoted-printable');
    }

    /** From and the envelope sender are both of our own domain, so that the receiving side finds them aligned. */
    private static function pack(Address $from, Address $to, string $subject, string $messageId, AbstractPart $body, string $language = 'en', string $submitted = 'auto-generated'): string
    {
        $headers = (new Headers())
            ->addMailboxListHeader('From', [$from])
            ->addMailboxListHeader('To', [$to])
            ->addTextHeader('Subject', $subject)
            ->addDateHeader('Date', now())
            ->addIdHeader('Message-ID', $messageId)
            // No answering machine need answer (RFC 3834 5).
            ->addTextHeader('Auto-Submitted', $submitted)
            ->addTextHeader('Content-Language', $language)
            ->addTextHeader('MIME-Version', '1.0');

        return SignMail::of(new MimeMessage($headers, $body))->toString();
    }
}

<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

use Syndex\Core\Work;

/**
 * Turns a stream of octets into whole content lines (RFC 5545 3.1), holding no more than one of them.
 *
 * Lines may end with CRLF, LF or CR. Folds are undone on octets, since they may lie within a character; then a line is
 * read as UTF-8, and as Windows-1252 where it is none. A byte order mark at the start is passed over.
 */
final class Unfolding
{
    /** A line that nobody asks for (an attached file, say) is not gathered past so many octets. */
    private const MOST_UNASKED = 4096;

    private const ASKED_AT_LENGTH = '/\A(?:DESCRIPTION|SUMMARY|LOCATION|ATTENDEE|ORGANIZER|RDATE|EXDATE|RRULE|URL|UID|TZID)[;:]/i';

    /**
     * @param  iterable<string>  $chunks
     * @return \Generator<int, string> content line by the number of its first physical line, from 1
     */
    public static function lines(iterable $chunks, ?Warnings $warnings = null, ?Work $work = null): \Generator
    {
        $number = 0;
        $begun = 1;
        $line = '';
        $dropping = false;
        $held = 0;
        foreach (self::physical($chunks, $work) as $physical) {
            $number++;
            if ($physical !== '' && ($physical[0] === ' ' || $physical[0] === "\t")) {
                $dropping = $dropping || (strlen($line) > self::MOST_UNASKED && preg_match(self::ASKED_AT_LENGTH, $line) !== 1);
                if (!$dropping) {
                    $work?->hold($more = 4 * strlen($physical));
                    $held += $more ?? 0;
                    $line .= substr($physical, 1);
                }

                continue;
            }
            if ($physical === '') {
                continue;
            }
            if ($line !== '') {
                yield $begun => self::text($line, $begun, $warnings);
                $work?->release($held);
            }
            [$line, $begun, $dropping, $held] = [$physical, $number, false, 0];
        }
        if ($line !== '') {
            yield $begun => self::text($line, $begun, $warnings);
        }
    }

    /**
     * @param  iterable<string>  $chunks
     * @return \Generator<int, string>
     */
    private static function physical(iterable $chunks, ?Work $work): \Generator
    {
        $rest = '';
        $break = null;
        $first = true;
        foreach ($chunks as $chunk) {
            $rest .= $chunk;
            // A line without an end must not fill the memory.
            $work?->hold(4 * strlen($rest));
            $work?->release(4 * strlen($rest));
            if ($break === null) {
                // The kind of line break shows with the first one; a CR at the very end may be half of a CRLF.
                if (strpbrk(substr($rest, 0, -1), "\r\n") === false) {
                    continue;
                }
                $break = str_contains($rest, "\n") ? "\n" : "\r";
            }
            if ($first) {
                $rest = self::withoutMark($rest);
                $first = false;
            }
            $lines = explode($break, $rest);
            $rest = array_pop($lines);
            foreach ($lines as $line) {
                yield rtrim($line, "\r");
            }
        }
        if ($first) {
            $rest = self::withoutMark($rest);
        }
        if ($rest !== '') {
            yield rtrim($rest, "\r\n");
        }
    }

    private static function withoutMark(string $text): string
    {
        return str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text;
    }

    private static function text(string $line, int $number, ?Warnings $warnings): string
    {
        if (!mb_check_encoding($line, 'UTF-8')) {
            $warnings?->add($number, 'not_utf8', 'the line is not UTF-8 and was read as Windows-1252');
            $line = mb_convert_encoding($line, 'UTF-8', 'Windows-1252');
        }
        if (preg_match('/[\x00-\x08\x0A-\x1F\x7F]/', $line) === 1) {
            $warnings?->add($number, 'control_character', 'control characters were taken out');
            $line = (string) preg_replace('/[\x00-\x08\x0A-\x1F\x7F]/', '', $line);
        }

        return $line;
    }
}

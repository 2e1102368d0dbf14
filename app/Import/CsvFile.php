<?php

declare(strict_types=1);

namespace App\Import;

use Symfony\Component\HttpFoundation\StreamedResponse;

/** A table as CSV (RFC 4180), as UTF-8 with a byte order mark, since one program in wide use takes it for something else without. */
final class CsvFile
{
    /** @param iterable<list<string>> $rows */
    public static function download(string $name, iterable $rows): StreamedResponse
    {
        return new StreamedResponse(static function () use ($rows): void {
            echo "\xEF\xBB\xBF";
            foreach ($rows as $row) {
                echo self::line($row);
            }
        }, 200, ['Content-Type' => 'text/csv; charset=utf-8; header=present', 'Content-Disposition' => "attachment; filename=\"$name\"", 'Cache-Control' => 'no-store']);
    }

    /** @param list<string> $cells */
    public static function line(array $cells): string
    {
        return implode(',', array_map(static fn(string $cell): string => '"' . str_replace('"', '""', self::harmless($cell)) . '"', $cells)) . "\r\n";
    }

    /** A cell that a program would take for a formula is made a text (common practice, no published source). */
    private static function harmless(string $cell): string
    {
        return preg_match('/\A[=+\-@\t\r]/', $cell) === 1 ? "'$cell" : $cell;
    }
}

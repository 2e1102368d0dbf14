<?php

declare(strict_types=1);

namespace App\Import;

use Syndex\Core\VCard\Card;
use Syndex\Core\VCard\CardReader;

/**
 * The rows of a file of people: CSV (RFC 4180) in whichever dialect it was written, or vCards.
 *
 * A dialect is told by trying: the byte order mark or the octets tell the letters, the delimiter is the one that cuts the first
 * lines into most columns of one number.
 */
final readonly class PeopleTable
{
    public const MOST_ROWS = 50_000;

    public const MOST_COLUMNS = 100;

    private const DELIMITERS = [',', ';', "\t", '|'];

    private const TRIED = 30;

    /** The columns of a file of cards. */
    private const OF_CARDS = [PersonField::Name, PersonField::Email, PersonField::Zone, PersonField::Language, PersonField::Country, PersonField::Phone, PersonField::Job, PersonField::Teams, PersonField::Calendar];

    /**
     * @param list<array{int, list<string>}> $rows with the line at which each begins, from 1
     * @param 'csv'|'vcard' $kind
     */
    private function __construct(public string $kind, public array $rows, public string $delimiter, public string $letters) {}

    /** @throws TooLargeTable */
    public static function of(string $octets): self
    {
        [$text, $letters] = self::decoded($octets);
        if (preg_match('/\A\s*BEGIN:VCARD\s*$/mi', substr($text, 0, 200)) === 1) {
            return new self('vcard', self::cards($text), '', $letters);
        }
        $text = str_contains($text, "\n") ? $text : str_replace("\r", "\n", $text);
        $delimiter = self::delimiter($text);

        return new self('csv', self::rows($text, $delimiter), $delimiter, $letters);
    }

    public function columns(): int
    {
        return max([0, ...array_map(static fn(array $row): int => count($row[1]), array_slice($this->rows, 0, self::TRIED))]);
    }

    /** @return list<string> the first row */
    public function headings(): array
    {
        return $this->kind === 'vcard' ? array_column(self::OF_CARDS, 'value') : array_map(trim(...), $this->rows[0][1] ?? []);
    }

    /** @return array<string, int> which column holds what, as far as can be told */
    public function guess(): array
    {
        return $this->kind === 'vcard' ? array_flip(array_column(self::OF_CARDS, 'value')) : PersonField::guess($this->headings());
    }

    /** Whether the first row names the columns. */
    public function hasHeading(): bool
    {
        return $this->kind === 'csv' && !str_contains(implode(' ', $this->headings()), '@') && $this->guess() !== [];
    }

    /** @return array{string, string} as UTF-8, and what it was */
    private static function decoded(string $octets): array
    {
        foreach (["\xEF\xBB\xBF" => 'UTF-8', "\xFF\xFE" => 'UTF-16LE', "\xFE\xFF" => 'UTF-16BE'] as $mark => $letters) {
            if (str_starts_with($octets, $mark)) {
                $text = substr($octets, strlen($mark));

                return [$letters === 'UTF-8' ? mb_scrub($text) : mb_convert_encoding($text, 'UTF-8', $letters), $letters];
            }
        }

        return mb_check_encoding($octets, 'UTF-8') ? [$octets, 'UTF-8'] : [mb_convert_encoding($octets, 'UTF-8', 'Windows-1252'), 'Windows-1252'];
    }

    private static function delimiter(string $text): string
    {
        // Some programs say it in a first line of its own.
        $best = [',', 0];
        foreach (self::DELIMITERS as $delimiter) {
            $counts = [];
            foreach (self::parsed($text, $delimiter, self::TRIED) as [, $cells]) {
                $counts[] = count($cells);
            }
            if ($counts === []) {
                continue;
            }
            $usual = array_count_values($counts);
            $columns = (int) array_search(max($usual), $usual, true);
            $score = $columns < 2 ? 0 : $columns * array_sum(array_map(static fn(int $c): int => $c === $columns ? 1 : 0, $counts)) / count($counts);
            if ($score > $best[1]) {
                $best = [$delimiter, $score];
            }
        }

        return $best[0];
    }

    /**
     * @return list<array{int, list<string>}>
     *
     * @throws TooLargeTable
     */
    private static function rows(string $text, string $delimiter): array
    {
        $rows = [];
        foreach (self::parsed($text, $delimiter, PHP_INT_MAX) as [$line, $cells]) {
            if (count($rows) > self::MOST_ROWS || count($cells) > self::MOST_COLUMNS) {
                throw new TooLargeTable();
            }
            $rows[] = [$line, $cells];
        }

        return $rows;
    }

    /** @return \Generator<int, array{int, list<string>}> rows that have anything in them */
    private static function parsed(string $text, string $delimiter, int $most): \Generator
    {
        $file = fopen('php://memory', 'r+');
        if ($file === false) {
            return;
        }
        fwrite($file, $most === PHP_INT_MAX ? $text : substr($text, 0, 200_000));
        rewind($file);
        try {
            for ($line = 1, $read = 0; $read < $most; $read++) {
                $from = (int) ftell($file);
                // A quote is escaped by doubling it (RFC 4180 2.7), and by nothing else.
                $cells = fgetcsv($file, null, $delimiter, '"', '');
                if ($cells === false) {
                    return;
                }
                $lines = substr_count($text, "\n", $from, max(0, min(strlen($text), (int) ftell($file)) - $from));
                if (trim(implode('', array_map(strval(...), $cells))) !== '') {
                    yield [$line, array_map(self::cell(...), $cells)];
                }
                $line += max(1, $lines);
            }
        } finally {
            fclose($file);
        }
    }

    /** Without the apostrophe by which a cell is kept from being taken for a formula (see {@see ExportPeople}). */
    private static function cell(?string $cell): string
    {
        $cell = (string) $cell;

        return preg_match("/\A'[=+\-@\t\r]/", $cell) === 1 ? substr($cell, 1) : $cell;
    }

    /**
     * @return list<array{int, list<string>}>
     *
     * @throws TooLargeTable
     */
    private static function cards(string $text): array
    {
        $rows = [];
        foreach (CardReader::cards([$text, "\n"]) as $line => $card) {
            if (count($rows) >= self::MOST_ROWS) {
                throw new TooLargeTable();
            }
            $rows[] = [$line, array_map(static fn(PersonField $f): string => self::ofCard($card, $f), self::OF_CARDS)];
        }

        return $rows;
    }

    private static function ofCard(Card $card, PersonField $field): string
    {
        return match ($field) {
            PersonField::Name => $card->name ?? '',
            PersonField::Email => $card->email ?? '',
            // An offset names no place.
            PersonField::Zone => $card->zone === null || preg_match('/\A(?:UTC)?[+-]?\d|:/', $card->zone) === 1 ? '' : $card->zone,
            PersonField::Language => $card->language ?? '',
            PersonField::Country => $card->country ?? '',
            PersonField::Phone => $card->phone ?? '',
            PersonField::Job => $card->title ?? '',
            PersonField::Teams => implode(';', $card->categories),
            default => $card->calendar ?? '',
        };
    }
}

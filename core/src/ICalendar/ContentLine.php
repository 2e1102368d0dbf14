<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

/** Writes one content line: escaping (RFC 5545 3.3.11), parameter values (RFC 6868) and folding (RFC 5545 3.1). */
final class ContentLine
{
    private const MOST_OCTETS = 75;

    /**
     * @param  string  $value  already in the form of its value type
     * @param  array<string, string|list<string>>  $parameters  a list is written as several values
     */
    public static function of(string $name, string $value, array $parameters = []): string
    {
        $line = $name;
        foreach ($parameters as $parameter => $text) {
            $line .= ';' . $parameter . '=' . implode(',', array_map(self::parameterValue(...), (array) $text));
        }

        return self::folded($line . ':' . self::withoutControls($value));
    }

    /** @param array<string, string> $parameters */
    public static function text(string $name, string $text, array $parameters = []): string
    {
        return self::of($name, self::escaped($text), $parameters);
    }

    public static function escaped(string $text): string
    {
        $text = str_replace(["\r\n", "\r"], "\n", $text);

        return str_replace(['\\', ';', ',', "\n"], ['\\\\', '\\;', '\\,', '\\n'], $text);
    }

    private static function parameterValue(string $text): string
    {
        $text = self::withoutControls(str_replace(['^', "\r\n", "\n", '"'], ['^^', '^n', '^n', "^'"], $text));

        return preg_match('/[:;,]/', $text) === 1 ? '"' . $text . '"' : $text;
    }

    /** Control characters have no place in a value (RFC 5545 3.1). */
    private static function withoutControls(string $text): string
    {
        return (string) preg_replace('/[\x00-\x08\x0A-\x1F\x7F]/', '', $text);
    }

    /** Lines end at 75 octets, never within a character; what follows begins with a space. */
    private static function folded(string $line): string
    {
        $out = '';
        $room = self::MOST_OCTETS;
        while (strlen($line) > $room) {
            $cut = $room;
            while ($cut > 0 && (ord($line[$cut]) & 0xC0) === 0x80) {
                $cut--;
            }
            $out .= substr($line, 0, $cut) . "\r\n ";
            $line = substr($line, $cut);
            $room = self::MOST_OCTETS - 1;
        }

        return $out . $line . "\r\n";
    }
}

<?php

declare(strict_types=1);

namespace Syndex\Core\ICalendar;

/** A content line taken apart (RFC 5545 3.1): name, parameters, value. */
final readonly class PropertyLine
{
    private const PARAMETER = '/\G;([A-Za-z0-9-]+)=((?:"[^"]*"|[^";:,]*+)(?:,(?:"[^"]*"|[^";:,]*+))*+)/';

    /** @param array<string, string> $parameters by name in capitals; several values of one stand with commas between */
    private function __construct(public int $line, public string $name, public array $parameters, public string $value) {}

    /** @return ?self null where the line has no form that could be read */
    public static function parse(int $line, string $text): ?self
    {
        $length = strcspn($text, ':;');
        $name = substr($text, 0, $length);
        if ($length === 0 || $length === strlen($text) || strspn($name, 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-') !== $length) {
            return null;
        }
        $parameters = [];
        $at = $length;
        while ($text[$at] === ';') {
            if (preg_match(self::PARAMETER, $text, $m, 0, $at) !== 1) {
                return null;
            }
            $at += strlen($m[0]);
            if ($at >= strlen($text)) {
                return null;
            }
            $parameters[strtoupper($m[1])] ??= self::parameterText($m[2]);
        }

        return $text[$at] === ':' ? new self($line, strtoupper($name), $parameters, substr($text, $at + 1)) : null;
    }

    /** The value as TEXT, unescaped (RFC 5545 3.3.11); a backslash that escapes nothing stays. */
    public function text(): string
    {
        return str_contains($this->value, '\\')
            ? (string) preg_replace_callback('/\\\\([\\\\;,nN])/', static fn(array $m): string => $m[1] === 'n' || $m[1] === 'N' ? "\n" : $m[1], $this->value)
            : $this->value;
    }

    /** Quotes taken off, RFC 6868 3.1 undone. */
    private static function parameterText(string $written): string
    {
        $text = str_replace('"', '', $written);

        return str_contains($text, '^') ? strtr($text, ['^^' => '^', '^n' => "\n", "^'" => '"']) : $text;
    }
}

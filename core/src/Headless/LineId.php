<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

/** The id of a line, which goes back exactly as it came: 1.0, 1e3 and numbers of any size stay as written. */
final class LineId
{
    /** @return string JSON; "null" where the id is neither a text nor a number, or there is none */
    public static function of(\stdClass $asked, string $line): string
    {
        $id = $asked->id ?? null;
        if (is_string($id)) {
            return (string) json_encode($id, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
        }

        return is_int($id) || is_float($id) ? self::asWritten($line) : 'null';
    }

    /** Finds the last top-level "id" of a line known to be a JSON object, and its number as written. */
    private static function asWritten(string $line): string
    {
        preg_match_all('/"(?:[^"\\\\]|\\\\.)*+"|[{}\[\]:,]|[^\s"{}\[\]:,]+/s', $line, $tokens);
        $depth = 0;
        $written = 'null';
        foreach ($tokens[0] as $at => $token) {
            $depth += match ($token) {
                '{', '[' => 1,
                '}', ']' => -1,
                default => 0,
            };
            if ($depth === 1 && $token[0] === '"' && ($tokens[0][$at + 1] ?? '') === ':' && json_decode($token) === 'id') {
                $written = $tokens[0][$at + 2];
            }
        }

        return $written;
    }
}

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

        // JSON knows one way to write an integer that PHP can hold.
        return is_int($id) ? (string) $id : (is_float($id) ? self::asWritten($line) : 'null');
    }

    /** Finds the last top-level "id" of a line known to be a JSON object, and its number as written; of a long line nothing is kept. */
    private static function asWritten(string $line): string
    {
        $depth = $at = 0;
        $isKey = false;
        $written = 'null';
        // How many tokens ago the key "id" stood; the colon lies between it and its value.
        for ($ago = 0; preg_match('/\G\s*+("(?:[^"\\\\]|\\\\.)*+"|[{}\[\]:,]|[^\s"{}\[\]:,]+)/s', $line, $m, 0, $at) === 1; $at += strlen($m[0])) {
            [, $token] = $m;
            $depth += match ($token) {
                '{', '[' => 1,
                '}', ']' => -1,
                default => 0,
            };
            if ($ago > 0 && --$ago === 0) {
                $written = $token;
            } elseif ($depth === 1 && $isKey && $token[0] === '"' && json_decode($token) === 'id') {
                $ago = 2;
            }
            $isKey = $depth === 1 && ($token === '{' || $token === ',');
        }

        return $written;
    }
}

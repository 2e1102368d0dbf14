<?php

declare(strict_types=1);

namespace App\Access;

use Illuminate\Foundation\Http\Middleware\TransformsRequest;

/**
 * Takes out of texts what nobody types and no mail or calendar can hold: control characters (RFC 5322 3.2.3, RFC 5545 3.1).
 * Some programs break lines with VT or FF; those become line breaks, and line breaks within a line become spaces.
 */
final class CleanText extends TransformsRequest
{
    private const LINES = ['title', 'name', 'label', 'place', 'speaker', 'job', 'q'];

    private const AS_THEY_ARE = ['password', 'passcode', 'token', 'email', 'url'];

    /**
     * @param  string  $key
     * @param  mixed  $value
     * @return mixed
     */
    protected function transform($key, $value)
    {
        $last = substr((string) strrchr(".$key", '.'), 1);
        if (!is_string($value) || in_array($last, self::AS_THEY_ARE, true) || preg_match('/[\x00-\x1F\x7F]/', $value) !== 1) {
            return $value;
        }
        $value = (string) preg_replace(['/\r\n?|[\x0B\x0C]/', '/[\x00-\x08\x0E-\x1F\x7F]/'], ["\n", ''], $value);

        return in_array($last, self::LINES, true) ? trim((string) preg_replace('/\s*[\n\t]\s*/', ' ', $value)) : $value;
    }
}

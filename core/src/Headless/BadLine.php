<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

use Syndex\Core\CoreException;

/** A line that asks for something that cannot be, with the stable code of core-protocol. */
final class BadLine extends \DomainException implements CoreException
{
    private function __construct(string $message, public readonly string $errorCode)
    {
        parent::__construct($message);
    }

    public static function notJson(string $why): self
    {
        return new self('expected one JSON object a line, ' . $why, 'not_json');
    }

    public static function unknownKey(string $key): self
    {
        return new self(sprintf('expected no key "%s" here', mb_strimwidth($key, 0, 80, '…')), 'unknown_key');
    }

    public static function badValue(string $key, string $expected, mixed $got): self
    {
        $text = json_encode($got, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PARTIAL_OUTPUT_ON_ERROR);

        return new self(sprintf('expected %s in "%s", got %s', $expected, $key, mb_strimwidth((string) $text, 0, 80, '…')), 'bad_value');
    }

    public static function floating(): self
    {
        return new self('expected a series with a zone and a time of day, got a floating or all-day one', 'floating');
    }

    public static function unknownLocale(string $locale): self
    {
        return new self(sprintf('expected the locale "en", got "%s"', mb_strimwidth($locale, 0, 80, '…')), 'unknown_locale');
    }

    /** @param string $message what was expected, what came */
    public static function because(string $message): self
    {
        return new self($message, 'bad_value');
    }

    public static function missing(string $key): self
    {
        return new self(sprintf('expected a key "%s", got none', $key), 'bad_value');
    }
}

<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

/** The keys of one JSON object, each asked for by type; any key that nobody may ask for is refused by name. */
final readonly class Fields
{
    /**
     * @param array<array-key, mixed> $values
     * @param int $octets of the line in which they stand
     */
    private function __construct(private array $values, public int $octets = 0) {}

    /**
     * @param  list<string>  $allowed
     * @param  int  $octets  of the line in which they stand, of the keys of a whole line
     *
     * @throws BadLine if there is a key that is not allowed
     */
    public static function of(\stdClass $object, array $allowed, int $octets = 0): self
    {
        $values = get_object_vars($object);
        foreach (array_keys($values) as $key) {
            if (!in_array((string) $key, $allowed, true)) {
                throw BadLine::unknownKey((string) $key);
            }
        }

        return new self($values, $octets);
    }

    /**
     * Refuses keys that have no place beside others that are there.
     *
     * @param  list<string>  $allowed
     *
     * @throws BadLine if there is one
     */
    public function only(array $allowed): void
    {
        foreach (array_keys($this->values) as $key) {
            if (!in_array((string) $key, $allowed, true)) {
                throw BadLine::unknownKey((string) $key);
            }
        }
    }

    /** Absent and null are the same here. */
    public function has(string $key): bool
    {
        return isset($this->values[$key]);
    }

    /** Whether the key stands there at all, though it were null. */
    public function names(string $key): bool
    {
        return array_key_exists($key, $this->values);
    }

    public function raw(string $key): mixed
    {
        return $this->values[$key] ?? null;
    }

    /** A key that must be there, though it may be null. */
    public function mustName(string $key): void
    {
        if (!array_key_exists($key, $this->values)) {
            throw BadLine::missing($key);
        }
    }

    public function text(string $key): string
    {
        $this->mustName($key);
        $value = $this->values[$key];

        return is_string($value) ? $value : throw BadLine::badValue($key, 'a text', $value);
    }

    public function textOrNull(string $key): ?string
    {
        return $this->has($key) ? $this->text($key) : null;
    }

    /** A number that must be there. */
    public function neededNumber(string $key, int $least): int
    {
        return $this->has($key) ? $this->wholeNumber($key, $least, $least) : throw BadLine::missing($key);
    }

    public function wholeNumber(string $key, int $least, int $default, int $most = PHP_INT_MAX): int
    {
        if (!$this->has($key)) {
            return $default;
        }
        $value = $this->values[$key];
        if (!is_int($value) || $value < $least || $value > $most) {
            throw BadLine::badValue($key, $most === PHP_INT_MAX ? "a whole number of $least or more" : "a whole number from $least to $most", $value);
        }

        return $value;
    }

    /** @return list<string> */
    public function texts(string $key): array
    {
        $value = $this->values[$key] ?? [];
        if (!is_array($value)) {
            throw BadLine::badValue($key, 'a list of texts', $value);
        }
        foreach ($value as $text) {
            if (!is_string($text)) {
                throw BadLine::badValue($key, 'a list of texts', $text);
            }
        }

        return array_values($value);
    }

    public function flag(string $key, bool $default): bool
    {
        $value = $this->values[$key] ?? $default;

        return is_bool($value) ? $value : throw BadLine::badValue($key, 'true or false', $value);
    }

    /**
     * @template T of string
     *
     * @param  list<T>  $choices
     * @param  T  $default
     * @return T
     */
    public function oneOf(string $key, array $choices, string $default): string
    {
        $value = $this->values[$key] ?? $default;
        foreach ($choices as $choice) {
            if ($value === $choice) {
                return $choice;
            }
        }

        throw BadLine::badValue($key, 'one of ' . implode(', ', $choices), $value);
    }

    public function object(string $key): ?\stdClass
    {
        $value = $this->values[$key] ?? null;

        return $value === null || $value instanceof \stdClass ? $value : throw BadLine::badValue($key, 'an object', $value);
    }

    /** @return list<\stdClass> */
    public function objects(string $key): array
    {
        $value = $this->values[$key] ?? [];
        if (!is_array($value)) {
            throw BadLine::badValue($key, 'a list of objects', $value);
        }
        $objects = [];
        foreach ($value as $object) {
            $objects[] = $object instanceof \stdClass ? $object : throw BadLine::badValue($key, 'a list of objects', $object);
        }

        return $objects;
    }
}

<?php

declare(strict_types=1);

namespace App\Failure;

/** Something that cannot be done as asked: a stable code for programs, plain words for people, and what helps to go on. */
abstract class Refusal extends \RuntimeException
{
    /**
     * @param  array<string, mixed>  $details
     * @param  array<string, list<string>>  $errors  by field, where one is to blame
     */
    final protected function __construct(public readonly string $errorCode, public readonly int $status, string $message, public readonly array $details = [], ?\Throwable $previous = null, public readonly array $errors = [])
    {
        parent::__construct($message, 0, $previous);
    }
}

<?php

declare(strict_types=1);

namespace Syndex\Core\Recurrence;

use Syndex\Core\CoreException;

final class NoDates extends \DomainException implements CoreException
{
    private function __construct(string $message, public readonly string $rule)
    {
        parent::__construct($message);
    }

    public static function of(Rule $rule): self
    {
        return new self('expected a rule that some date matches, got ' . $rule->toText(), $rule->toText());
    }
}

<?php

declare(strict_types=1);

namespace App\Failure;

/** What a database said, without the value that it quoted. */
final class WithoutValues extends \PDOException
{
    public static function of(\PDOException $said): self
    {
        // "Duplicate entry 'value' for key 'name'", "Incorrect string value: 'value' for column 'name'"
        $message = (string) preg_replace("/'.*'(?= for (?:key|column) )/s", "'…'", $said->getMessage());
        $quiet = new self($message);
        $quiet->code = $said->getCode();
        $quiet->errorInfo = $said->errorInfo === null ? null : [$said->errorInfo[0] ?? '', $said->errorInfo[1] ?? 0, $message];

        return $quiet;
    }
}

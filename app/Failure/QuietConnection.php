<?php

declare(strict_types=1);

namespace App\Failure;

use Closure;
use Illuminate\Database\MariaDbConnection;
use Illuminate\Database\QueryException;

/** Says of a query that failed what was asked and why, and not with which values: they are names, addresses, texts and tokens. */
final class QuietConnection extends MariaDbConnection
{
    /**
     * @param  string  $query
     * @param  array<array-key, mixed>  $bindings
     */
    protected function runQueryCallback($query, $bindings, Closure $callback): mixed
    {
        try {
            return parent::runQueryCallback($query, $bindings, $callback);
        } catch (QueryException $e) {
            $cause = $e->getPrevious() ?? $e;

            throw new ($e::class)($e->getConnectionName(), $e->getSql(), [], $cause instanceof \PDOException ? WithoutValues::of($cause) : $cause, $this->getConnectionDetails(), $e->readWriteType);
        }
    }
}

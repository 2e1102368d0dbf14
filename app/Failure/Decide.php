<?php

declare(strict_types=1);

namespace App\Failure;

use Illuminate\Support\Facades\DB;

/**
 * Runs a decision in one transaction, and again where the database broke it off because of another one (a deadlock, a lock that
 * did not come, two nodes that wrote the same row). What is decided on is locked within; whatever was read before is read again.
 */
final class Decide
{
    private const TRIES = 6;

    /**
     * @template T
     *
     * @param  \Closure(): T  $decision  safe to run again from its beginning
     * @return T
     */
    public static function on(\Closure $decision): mixed
    {
        return DB::transaction($decision, self::TRIES);
    }
}

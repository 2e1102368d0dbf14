<?php

declare(strict_types=1);

use Tests\Browser\Support\BrowserTestCase;
use Tests\FeatureTestCase;

pest()->extend(FeatureTestCase::class)->in('Feature');
pest()->extend(BrowserTestCase::class)->in('Browser');

// Deprecations of our own code fail the test that meets them; those of packages are theirs to mend.
pest()->beforeEach(function (): void {
    $handler = static function (int $level, string $message, string $file) use (&$previous): bool {
        if ($level === E_DEPRECATED || $level === E_USER_DEPRECATED) {
            return str_contains($file, '/vendor/') ? true : throw new ErrorException($message, 0, $level, $file);
        }

        return is_callable($previous) ? (bool) $previous(...func_get_args()) : false;
    };
    $previous = set_error_handler($handler);
})->afterEach(function (): void {
    restore_error_handler();
})->in('Feature', '../core/tests');

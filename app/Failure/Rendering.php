<?php

declare(strict_types=1);

namespace App\Failure;

use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\Exceptions\ThrottleRequestsException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Session\TokenMismatchException;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Syndex\Core\CoreException;

/** The one place where a failure becomes HTTP: { code, message, errors, details }. */
final class Rendering
{
    public static function register(Exceptions $exceptions): void
    {
        $exceptions->dontReport([Refusal::class]);
        $exceptions->shouldRenderJsonWhen(static fn(Request $request): bool => $request->is('api/*', 'live-allowed'));
        $exceptions->render(static function (\Throwable $e, Request $request): ?JsonResponse {
            if (!$request->is('api/*', 'live-allowed')) {
                return null;
            }

            return self::json($e);
        });
    }

    private static function json(\Throwable $e): JsonResponse
    {
        /** @var array{string, int, string, array<string, mixed>, array<string, mixed>} $said */
        $said = match (true) {
            $e instanceof Refusal => [$e->errorCode, $e->status, $e->getMessage(), $e->errors, $e->details],
            $e instanceof ValidationException => ['invalid', 422, __('failures.invalid'), $e->errors(), []],
            $e instanceof AuthenticationException => ['not_signed_in', 401, __('failures.not_signed_in'), [], []],
            $e instanceof ModelNotFoundException => ['not_found', 404, __('failures.not_found'), [], []],
            $e instanceof TokenMismatchException => ['page_expired', 419, __('failures.page_expired'), [], []],
            $e instanceof ThrottleRequestsException => ['too_many_tries', 429, __('failures.too_many_tries', ['seconds' => (string) ($e->getHeaders()['Retry-After'] ?? 60)]), [], []],
            $e instanceof CoreException => ['cannot_be', 422, CoreWords::of($e), [], []],
            $e instanceof HttpExceptionInterface => self::http($e),
            $e instanceof \PDOException && self::isAway($e) => ['database_away', 503, __('failures.database_away'), [], []],
            default => ['broken', 500, __('failures.broken'), [], config('app.debug') === true ? ['exception' => $e::class, 'said' => $e->getMessage(), 'at' => $e->getFile() . ':' . $e->getLine()] : []],
        };
        [$code, $status, $message, $errors, $details] = $said;
        $headers = $status === 429 && isset($details['seconds']) ? ['Retry-After' => (string) $details['seconds']] : [];

        return new JsonResponse(['code' => $code, 'message' => $message, 'errors' => (object) $errors, 'details' => (object) $details], $status, $headers);
    }

    /** Whether the database cannot be reached, or is just going down or coming up. */
    private static function isAway(\PDOException $e): bool
    {
        return preg_match('/\b(?:2002|2003|2006|2013|1053|1927)\b|server has gone away|Connection refused|No such file or directory/', $e->getMessage()) === 1;
    }

    /** @return array{string, int, string, array<never>, array<never>} */
    private static function http(HttpExceptionInterface $e): array
    {
        return match ($e->getStatusCode()) {
            403 => ['not_allowed', 403, __('failures.not_allowed'), [], []],
            404 => ['not_found', 404, __('failures.not_found'), [], []],
            405 => ['no_such_action', 405, __('failures.not_found'), [], []],
            419 => ['page_expired', 419, __('failures.page_expired'), [], []],
            413 => ['too_large', 413, __('failures.too_large'), [], []],
            default => ['refused', $e->getStatusCode(), __('failures.broken'), [], []],
        };
    }
}

<?php

declare(strict_types=1);

namespace App\Overlap;

use App\People\ViewerClock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Syndex\Core\Time\Interval;
use Syndex\Core\Time\WallTime;

final readonly class BurdenController
{
    /** Weeks: a month, a quarter, half a year. */
    private const WEEKS = [4, 13, 26];

    public function __construct(private BurdenReport $report, private ViewerClock $clock) {}

    public function __invoke(Request $request): JsonResponse
    {
        $request->validate([
            'from' => ['sometimes', 'date_format:Y-m-d', 'after:1970-01-01', 'before:9990-01-01'],
            'weeks' => ['sometimes', 'integer', Rule::in(self::WEEKS)],
            'team' => ['sometimes', 'nullable', 'string', 'exists:teams,id'],
            'page' => ['sometimes', 'integer', 'min:1'],
        ]);
        $zone = $this->clock->zone();
        $from = WallTime::parseDate($request->has('from') ? $request->string('from')->toString() : WallTime::ofSeconds($zone->toWall(now()->getTimestamp()))->formatDate());
        $weeks = $request->integer('weeks', self::WEEKS[0]);
        $until = WallTime::ofSeconds($from->seconds + $weeks * 7 * 86400);
        $team = $request->input('team');

        return new JsonResponse([
            'from' => $from->formatDate(), 'until' => WallTime::ofSeconds($until->seconds - 86400)->formatDate(), 'weeks' => $weeks, 'choices' => self::WEEKS,
            ...$this->report->of(Interval::between($zone->toUtc($from->seconds), $zone->toUtc($until->seconds)), is_string($team) && $team !== '' ? $team : null, $request->integer('page', 1)),
        ]);
    }
}

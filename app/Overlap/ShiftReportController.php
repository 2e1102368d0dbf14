<?php

declare(strict_types=1);

namespace App\Overlap;

use App\Planning\Meeting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

final readonly class ShiftReportController
{
    public function __construct(private ShiftReport $report) {}

    public function show(Meeting $meeting): JsonResponse
    {
        return new JsonResponse($this->report->of($meeting));
    }

    /** One line for each change, and one for each date outside hours. */
    public function csv(Meeting $meeting): Response
    {
        $report = $this->report->of($meeting);
        $lines = [['person', 'place', 'what', 'local date', 'from', 'to']];
        foreach ($report['people'] as $person) {
            foreach ($person['changes'] as $change) {
                $lines[] = [$person['name'], $person['city'], 'clock moves', substr($change['on'], 0, 10), $change['was'], $change['now']];
            }
            foreach ($person['outside'] as $local) {
                $lines[] = [$person['name'], $person['city'], 'outside hours', substr($local, 0, 10), substr($local, 11, 5), ''];
            }
        }

        return new Response(implode('', array_map(self::line(...), $lines)), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="' . (Str::slug($meeting->title) ?: 'meeting') . '-clock-shifts.csv"',
        ]);
    }

    /**
     * RFC 4180: fields in quotes where they need it, lines ending in CRLF. A field that a spreadsheet would run as a
     * formula is made plain text.
     *
     * @param list<string> $fields
     */
    private static function line(array $fields): string
    {
        return implode(',', array_map(static function (string $field): string {
            $field = preg_match('/^[=+\-@\t]/', $field) === 1 ? "'" . $field : $field;

            return preg_match('/[",\r\n]/', $field) === 1 ? '"' . str_replace('"', '""', $field) . '"' : $field;
        }, $fields)) . "\r\n";
    }
}

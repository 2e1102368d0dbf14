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

        return new Response(self::csvOf($lines), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="' . (Str::slug($meeting->title) ?: 'meeting') . '-clock-shifts.csv"',
        ]);
    }

    /**
     * RFC 4180. A field that a spreadsheet would run as a formula is made plain text.
     *
     * @param list<list<string>> $lines
     */
    private static function csvOf(array $lines): string
    {
        $file = new \SplTempFileObject();
        foreach ($lines as $line) {
            $file->fputcsv(array_map(static fn(string $field): string => preg_match('/^[=+\-@\t]/', $field) === 1 ? "'" . $field : $field, $line), escape: '', eol: "\r\n");
        }
        $octets = (int) $file->ftell();
        $file->rewind();

        return (string) $file->fread($octets);
    }
}

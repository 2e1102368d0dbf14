<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Http\Request;

/** First and last day as entered, by the fields fromOn and untilOn. */
final class DayRange
{
    /**
     * @param  string  $before  the first day that is too late
     * @return array<string, list<string>>
     */
    public static function entry(Request $request, string $before): array
    {
        $day = ['bail', 'required', 'string', 'date_format:Y-m-d', 'after:1970-01-01', "before:$before"];

        // What is no text is no day to be after.
        return ['fromOn' => $day, 'untilOn' => is_string($request->input('fromOn')) ? [...$day, 'after_or_equal:fromOn'] : $day];
    }
}

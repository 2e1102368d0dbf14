<?php

declare(strict_types=1);

namespace App\Offers;

use App\Invitations\MeetingAsTold;
use App\Planning\TypedTime;
use Carbon\CarbonImmutable;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Time\Gregorian;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\Zone;

/** Times to offer, as wall times of the meeting's zone, to whom, and until when they may answer. */
final class OfferRequest extends FormRequest
{
    /** Days in which to answer, where nothing else is said. */
    public const USUAL_DAYS = 7;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'times' => ['required', 'array', 'list', 'min:1', 'max:' . OpenOffer::MOST_TIMES],
            'times.*' => ['required', 'string', 'max:19'],
            'guests' => ['required', 'array', 'list', 'min:1', 'max:' . OpenOffer::MOST_GUESTS],
            'guests.*' => ['required', 'string', 'max:26', 'distinct:strict'],
            'untilOn' => ['bail', 'present', 'nullable', 'string', 'date_format:Y-m-d', 'after:1970-01-01', 'before:9990-01-01'],
            'words' => ['present', 'nullable', 'string', 'max:' . MeetingAsTold::MOST_WORDS],
        ];
    }

    /** @return list<int> seconds since 1970 */
    public function starts(Zone $zone): array
    {
        $starts = [];
        foreach (array_values($this->array('times')) as $at => $text) {
            $start = $zone->toUtc(TypedTime::of("times.$at", (string) $text)->seconds);
            if ($start <= now()->getTimestamp()) {
                throw ValidationException::withMessages(["times.$at" => __('planning.offer_past')]);
            }
            if (in_array($start, $starts, true)) {
                throw ValidationException::withMessages(["times.$at" => __('planning.offer_twice')]);
            }
            $starts[] = $start;
        }

        return $starts;
    }

    /**
     * The end of the day that was said, but not past the last of the times.
     *
     * @param non-empty-list<int> $starts
     */
    public function until(Zone $zone, array $starts): CarbonImmutable
    {
        $today = Gregorian::floorDiv($zone->toWall(now()->getTimestamp()), 86400);
        $day = $this->filled('untilOn') ? WallTime::parseDate($this->string('untilOn')->toString())->dayNumber() : $today + self::USUAL_DAYS;
        $end = min($zone->toUtc(($day + 1) * 86400), max($starts));
        if ($day < $today) {
            throw ValidationException::withMessages(['untilOn' => __('planning.offer_until')]);
        }

        return CarbonImmutable::createFromTimestampUTC($end);
    }

    /** @return list<string> people */
    public function guests(): array
    {
        return array_map(strval(...), array_values($this->array('guests')));
    }

    public function words(): ?string
    {
        $words = $this->string('words')->trim()->toString();

        return $words === '' ? null : $words;
    }
}

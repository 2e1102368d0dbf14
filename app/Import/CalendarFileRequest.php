<?php

declare(strict_types=1);

namespace App\Import;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;
use Syndex\Core\ICalendar\CalendarReader;
use Syndex\Core\ICalendar\Entry;
use Syndex\Core\ICalendar\NotACalendar;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\TooMuchWork;
use Syndex\Core\Work;

/** A calendar file as the body of a request. It is read in pieces, never as a whole. */
final class CalendarFileRequest extends FormRequest
{
    /** Octets. */
    public const MOST = 60_000_000;

    private const WORK = 100_000_000;

    private const PIECE = 65_536;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['q' => ['sometimes', 'nullable', 'string', 'max:200'], 'event' => ['sometimes', 'string', 'max:1000']];
    }

    public function reader(ZoneData $zones): CalendarReader
    {
        if ((int) $this->header('Content-Length') > self::MOST) {
            self::refuse('too_large');
        }

        return new CalendarReader(fn(): \Generator => $this->pieces(), $zones, Work::atMost(self::WORK));
    }

    /**
     * @param  CalendarReader  $reader  as above
     * @return \Generator<int, Entry>
     *
     * @throws ValidationException if it is no calendar, or takes too long to read
     */
    public static function entries(CalendarReader $reader): \Generator
    {
        try {
            yield from $reader->entries();
        } catch (NotACalendar) {
            self::refuse('no_calendar');
        } catch (TooMuchWork) {
            self::refuse('too_large');
        }
    }

    public static function refuse(string $why): never
    {
        throw ValidationException::withMessages(['file' => __("import.$why")]);
    }

    /** @return \Generator<int, string> */
    private function pieces(): \Generator
    {
        $file = $this->getContent(true);
        while (!feof($file)) {
            yield (string) fread($file, self::PIECE);
        }
        fclose($file);
    }
}

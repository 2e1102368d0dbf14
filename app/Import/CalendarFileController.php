<?php

declare(strict_types=1);

namespace App\Import;

use App\Live\Live;
use App\People\Account;
use App\Planning\SheetView;
use Illuminate\Http\JsonResponse;
use Syndex\Core\ICalendar\CalendarReader;
use Syndex\Core\ICalendar\ReadWarning;
use Syndex\Core\Planning\AdoptMeeting;
use Syndex\Core\Planning\CannotAdopt;
use Syndex\Core\Time\ZoneData;

/** A calendar file from elsewhere: looked through, and one of its events opened as a draft. The file is not kept. */
final readonly class CalendarFileController
{
    private const WARNINGS_SHOWN = 20;

    public function __construct(private ZoneData $zones) {}

    public function look(CalendarFileRequest $request): JsonResponse
    {
        $reader = $request->reader($this->zones);
        $found = FoundEvents::in(CalendarFileRequest::entries($reader), $request->string('q')->toString());

        return new JsonResponse([...$found, ...self::warnings($reader)]);
    }

    public function open(CalendarFileRequest $request, DraftOfEvent $draft, SheetView $view, Live $live): JsonResponse
    {
        /** @var Account $account */
        $account = $request->user();
        $reader = $request->reader($this->zones);
        $entries = FoundEvents::entriesOf(CalendarFileRequest::entries($reader), $request->string('event')->toString());
        if ($entries === []) {
            CalendarFileRequest::refuse('no_such_event');
        }
        try {
            $adopted = AdoptMeeting::of($entries, $this->zones->zone($account->person->zone ?? 'UTC'));
        } catch (CannotAdopt $cannot) {
            CalendarFileRequest::refuse($cannot->why);
        }
        [$meeting, $notes] = $draft($account, $adopted);
        $live->tell([Live::COORDINATION], 'meeting', $meeting->id);

        return new JsonResponse(['meeting' => $view->of($meeting->refresh()), 'notes' => $notes, ...self::warnings($reader)], 201);
    }

    /** @return array{warnings: list<array{line: ?int, message: string}>, moreWarnings: int} */
    private static function warnings(CalendarReader $reader): array
    {
        $all = $reader->warnings->all();

        return [
            'warnings' => array_map(static fn(ReadWarning $w): array => ['line' => $w->line, 'message' => self::words($w)], array_slice($all, 0, self::WARNINGS_SHOWN)),
            'moreWarnings' => max(0, count($all) - self::WARNINGS_SHOWN),
        ];
    }

    /** By what it is and where, without the names that only the format knows. */
    private static function words(ReadWarning $warning): string
    {
        $part = 'import.part.' . strtolower((string) $warning->property);

        return __("import.warning.$warning->code", ['part' => trans()->has($part) ? __($part) : __('import.part.other')]);
    }
}

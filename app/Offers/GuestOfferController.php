<?php

declare(strict_types=1);

namespace App\Offers;

use App\Access\KnownZone;
use App\Failure\NotNow;
use App\Guests\RequireGuestLink;
use App\Live\Live;
use App\People\Calendar;
use App\People\FeedFailed;
use App\People\PersonKind;
use App\People\SetCalendar;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Syndex\Core\Offers\OfferReply;
use Syndex\Core\Time\ZoneData;

/** The page of one guest, opened by their link. Only what they send changes anything. */
final readonly class GuestOfferController
{
    private const MOST_OCTETS = 5_000_000;

    /** Files that a link gives within an hour: each is work. */
    private const FILES_AN_HOUR = 20;

    public function __construct(private GuestOffer $page, private ZoneData $zones, private Live $live) {}

    public function show(Request $request): JsonResponse
    {
        return $this->answer($request, GuestOffer::guestOf(RequireGuestLink::of($request)));
    }

    public function update(Request $request, AnswerOffer $answer): JsonResponse
    {
        $request->validate([
            'replies' => ['present', 'array', 'list', 'max:' . OpenOffer::MOST_TIMES],
            'replies.*' => ['array:time,reply'],
            'replies.*.time' => ['required', 'integer', 'distinct'],
            'replies.*.reply' => ['present', 'nullable', Rule::enum(OfferReply::class)],
            'zone' => ['present', 'nullable', 'string', 'max:64', new KnownZone($this->zones)],
            'zoneSaid' => ['required', 'boolean'],
            'comment' => ['present', 'nullable', 'string', 'max:1000'],
        ]);
        $replies = [];
        foreach ($request->array('replies') as $one) {
            $replies[(int) $one['time']] = $one['reply'] === null ? null : OfferReply::from((string) $one['reply']);
        }
        $comment = $request->string('comment')->trim()->toString();
        $guest = GuestOffer::guestOf(RequireGuestLink::of($request));
        $answer($guest, $replies, $request->input('zone') === null ? null : $request->string('zone')->toString(), $request->boolean('zoneSaid'), $comment === '' ? null : $comment);

        return $this->answer($request, $guest);
    }

    /** Their own busy times from a file, for as long as nothing else is known of them. */
    public function file(Request $request, SetCalendar $set): JsonResponse
    {
        $guest = $this->mayGiveFile($request);
        if (!RateLimiter::attempt("guest-file $guest->id", self::FILES_AN_HOUR, static fn(): true => true, 3600)) {
            throw NotNow::manyFilesGiven();
        }
        $octets = $request->getContent();
        if (strlen($octets) > self::MOST_OCTETS) {
            throw ValidationException::withMessages(['file' => __('people.feed.too_large')]);
        }
        try {
            $set->file($guest->person, 'busy.ics', $octets);
        } catch (FeedFailed $failed) {
            throw ValidationException::withMessages(['file' => __("people.feed.$failed->why")]);
        }
        $this->live->tell([Live::COORDINATION], 'person', $guest->person_id);

        return $this->answer($request, $guest);
    }

    public function removeFile(Request $request): JsonResponse
    {
        $guest = $this->mayGiveFile($request);
        Calendar::query()->where('person_id', $guest->person_id)->where('kind', 'file')->delete();
        $this->live->tell([Live::COORDINATION], 'person', $guest->person_id);

        return $this->answer($request, $guest);
    }

    private function mayGiveFile(Request $request): AskedGuest
    {
        $guest = GuestOffer::guestOf(RequireGuestLink::of($request));
        $this->page->mustBeOpen(TimeOffer::query()->with('meeting.host')->findOrFail($guest->time_offer_id), $guest);
        if ($guest->person->kind !== PersonKind::Guest || Calendar::query()->where('person_id', $guest->person_id)->whereNot('kind', 'file')->exists()) {
            throw NotNow::calendarIsKnown();
        }

        return $guest;
    }

    private function answer(Request $request, AskedGuest $guest): JsonResponse
    {
        return new JsonResponse($this->page->of($guest->refresh()->load(['person', 'answers']), $this->zone($request, 'said'), $this->zone($request, 'device')));
    }

    /** Whatever a device calls its zone: unknown names are passed over. */
    private function zone(Request $request, string $key): ?string
    {
        $zone = $request->query($key);

        return is_string($zone) && KnownZone::is($zone, $this->zones) ? $zone : null;
    }
}

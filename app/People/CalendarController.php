<?php

declare(strict_types=1);

namespace App\People;

use App\Live\Live;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Where somebody's busy times come from: said by themselves, or by whoever plans. The address of a feed is a secret and is never told again. */
final readonly class CalendarController
{
    private const MOST_OCTETS = 20_000_000;

    public function __construct(private SetCalendar $set, private Live $live, private ViewerClock $clock) {}

    public function show(Request $request, Person $person): JsonResponse
    {
        $account = OwnOrPlans::check($request, $person);

        return new JsonResponse(['calendar' => $this->about(Calendar::query()->where('person_id', $person->id)->first(), $account->person_id === $person->id)]);
    }

    public function feed(Request $request, Person $person): JsonResponse
    {
        $account = OwnOrPlans::check($request, $person);
        $request->validate(['url' => ['required', 'string', 'max:2000']]);
        try {
            $calendar = $this->set->feed($person, $request->string('url')->toString());
        } catch (FeedFailed $failed) {
            throw ValidationException::withMessages(['url' => __("people.feed.$failed->why")]);
        }
        $this->live->tell([Live::COORDINATION], 'person', $person->id);

        return new JsonResponse(['calendar' => $this->about($calendar->refresh(), $account->person_id === $person->id)]);
    }

    public function file(Request $request, Person $person): JsonResponse
    {
        $account = OwnOrPlans::check($request, $person);
        $request->validate(['name' => ['nullable', 'string', 'max:200']]);
        $octets = $request->getContent();
        if (strlen($octets) > self::MOST_OCTETS) {
            throw ValidationException::withMessages(['file' => __('people.feed.too_large')]);
        }
        try {
            $calendar = $this->set->file($person, $request->string('name')->toString(), $octets);
        } catch (FeedFailed $failed) {
            throw ValidationException::withMessages(['file' => __("people.feed.$failed->why")]);
        }
        $this->live->tell([Live::COORDINATION], 'person', $person->id);

        return new JsonResponse(['calendar' => $this->about($calendar->refresh(), $account->person_id === $person->id)]);
    }

    /** Read now, not when its time comes. */
    public function read(Request $request, Person $person, ReadCalendar $read): JsonResponse
    {
        $account = OwnOrPlans::check($request, $person);
        $calendar = Calendar::query()->where('person_id', $person->id)->where('kind', 'feed')->first() ?? throw new NotFoundHttpException();

        return new JsonResponse(['calendar' => $this->about($read($calendar), $account->person_id === $person->id)]);
    }

    /** Whether others see what somebody has, beside when: for themselves alone to say. */
    public function titles(Request $request, Person $person): JsonResponse
    {
        $account = OwnOrPlans::check($request, $person);
        if ($account->person_id !== $person->id) {
            throw new AccessDeniedHttpException();
        }
        $request->validate(['showsTitles' => ['required', 'boolean:strict']]);
        $calendar = Calendar::query()->where('person_id', $person->id)->first() ?? throw new NotFoundHttpException();
        $this->set->titles($calendar, $request->boolean('showsTitles'));
        $this->live->tell([Live::COORDINATION], 'person', $person->id);

        return new JsonResponse(['calendar' => $this->about($calendar->refresh(), true)]);
    }

    public function destroy(Request $request, Person $person): Response
    {
        OwnOrPlans::check($request, $person);
        Calendar::query()->where('person_id', $person->id)->delete();
        $this->live->tell([Live::COORDINATION], 'person', $person->id);

        return new Response(status: 204);
    }

    /** @return ?array<string, mixed> */
    private function about(?Calendar $calendar, bool $isOwn): ?array
    {
        return $calendar === null ? null : [
            'kind' => $calendar->kind,
            'label' => $calendar->label,
            'state' => $calendar->state,
            'problem' => $calendar->problem === null ? null : __("people.feed.$calendar->problem"),
            'failures' => $calendar->failures,
            'events' => $calendar->events,
            'readLocal' => $this->clock->local($calendar->read_at),
            'nextLocal' => $this->clock->local($calendar->next_try_at),
            'isKnown' => $calendar->isKnown(),
            'showsTitles' => $calendar->shows_titles,
            'mayShowTitles' => $isOwn && $calendar->kind === 'feed',
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Invitations;

use App\HouseRules\HouseRules;
use App\People\Account;
use App\People\Person;
use App\Planning\KeepMeeting;
use App\Planning\Meeting;
use App\Planning\SheetView;
use App\Planning\Visible;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Syndex\Core\Invitations\Announce;
use Syndex\Core\Time\Instant;

/** From the read-back to the calling off. */
final readonly class InvitationController
{
    /** The letter is shown in a frame that may do nothing but look as it does. */
    public const FRAME_POLICY = "default-src 'none'; style-src 'unsafe-inline'; img-src data:; frame-ancestors 'self'; sandbox";

    private const WORDS = ['words' => ['sometimes', 'nullable', 'string', 'max:' . MeetingAsTold::MOST_WORDS]];

    public function __construct(private SheetView $view, private FreezeMeeting $freeze, private CoreMeeting $core, private WriteLetter $letters, private ReadBackChange $change, private FirstLetter $first, private Visible $visible, private HouseRules $rules) {}

    public function readBack(Meeting $meeting, ReadBack $readBack): JsonResponse
    {
        return new JsonResponse($readBack->of($meeting));
    }

    /** The sheet of a change, before it is sent. */
    public function readBackChange(Request $request, Meeting $meeting, ReadBackChange $readBack): JsonResponse
    {
        if ($meeting->changes_id === null) {
            throw new NotFoundHttpException();
        }

        return new JsonResponse($readBack->of($meeting, $request->boolean('tellAll')));
    }

    /** What one recipient will get, before it is sent. */
    public function letter(Request $request, Meeting $meeting, Person $person): JsonResponse
    {
        $letter = $this->letterTo($request, $meeting, $person);

        return new JsonResponse(['subject' => $letter->subject, 'text' => $letter->text]);
    }

    public function letterHtml(Request $request, Meeting $meeting, Person $person): Response
    {
        return new Response($this->letterTo($request, $meeting, $person)->html, 200, ['Content-Type' => 'text/html; charset=utf-8', 'Content-Security-Policy' => self::FRAME_POLICY]);
    }

    /** Sends a meeting, or the change of which this is the sheet. */
    public function send(Request $request, Meeting $meeting, SendMeeting $send, SendChange $sendChange): JsonResponse
    {
        $request->validate(['version' => ['required', 'integer'], 'tellAll' => ['sometimes', 'boolean'], 'leaveOut' => ['sometimes', 'array', 'list', 'max:500'], 'leaveOut.*' => ['string', 'max:26'], ...self::WORDS]);
        /** @var Account $account */
        $account = $request->user();
        $sent = $meeting->changes_id === null ? $send($meeting, $request->integer('version'), $account, self::words($request)) : $sendChange($meeting, $request->integer('version'), $request->boolean('tellAll'), $account, self::words($request), array_values(array_map(strval(...), $request->array('leaveOut'))));

        return new JsonResponse([...$this->view->of($sent), 'holdSeconds' => $this->rules->holdSeconds()]);
    }

    /** The meeting as it stands, once more to one of its people. */
    public function tellOne(Request $request, Meeting $meeting, Person $person, TellOne $tellOne): JsonResponse
    {
        /** @var Account $account */
        $account = $request->user();
        $tellOne($meeting, $person, $account);

        return new JsonResponse(['name' => $person->called()]);
    }

    public function keep(Meeting $meeting, KeepMeeting $keep): JsonResponse
    {
        return new JsonResponse($this->view->of($keep($meeting)));
    }

    public function takeBack(Request $request, Meeting $meeting, TakeBack $takeBack): JsonResponse
    {
        /** @var Account $account */
        $account = $request->user();

        return new JsonResponse($this->view->of($takeBack($meeting, $account)->refresh()));
    }

    public function callOff(Request $request, Meeting $meeting, CallOffMeeting $callOff): JsonResponse
    {
        $request->validate(self::WORDS);
        /** @var Account $account */
        $account = $request->user();

        return new JsonResponse($this->view->of($callOff($meeting, $account, self::words($request))));
    }

    /** The meeting as text, for pasting into chats and learning systems. */
    public function text(Request $request, Meeting $meeting): JsonResponse
    {
        $account = $this->allowed($request, $meeting);

        return new JsonResponse(['text' => $this->letters->invitation($this->freeze->asItStands($meeting), $account->person)->text]);
    }

    public function file(Request $request, Meeting $meeting): Response
    {
        $this->allowed($request, $meeting);
        $name = Str::slug($meeting->title) ?: 'meeting';

        return new Response(Announce::file($this->core->of($this->freeze->asItStands($meeting)), Instant::ofSeconds(now()->getTimestamp())), 200, [
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="' . $name . '.ics"',
        ]);
    }

    private function allowed(Request $request, Meeting $meeting): Account
    {
        /** @var Account $account */
        $account = $request->user();
        $this->visible->orNotFound($account, $meeting);

        return $account->loadMissing('person');
    }

    private static function words(Request $request): ?string
    {
        $words = $request->string('words')->trim()->toString();

        return $words === '' ? null : $words;
    }

    private function letterTo(Request $request, Meeting $meeting, Person $person): Letter
    {
        $request->validate(self::WORDS);
        if ($meeting->changes_id !== null) {
            return $this->change->letter($meeting, $person, $request->boolean('tellAll'), self::words($request)) ?? throw new NotFoundHttpException();
        }

        return $this->first->to($person, $meeting, self::words($request)) ?? throw new NotFoundHttpException();
    }
}

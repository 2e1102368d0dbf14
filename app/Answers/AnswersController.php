<?php

declare(strict_types=1);

namespace App\Answers;

use App\People\Account;
use App\People\Person;
use App\Planning\Meeting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Syndex\Core\Time\WallTime;

/** The answers to a meeting, what was told by telephone, and what came and is not sure. */
final readonly class AnswersController
{
    public function __construct(private AnswersOf $answers) {}

    public function show(Meeting $meeting): JsonResponse
    {
        return new JsonResponse($this->answers->of($meeting));
    }

    /** Told to the coordinator, who writes it down. */
    public function store(Request $request, Meeting $meeting, Person $person, TakeAnswer $take): JsonResponse
    {
        $given = $request->validate(['date' => ['present', 'nullable', 'string', 'date_format:Y-m-d\TH:i:s'], 'partstat' => ['required', 'string', Rule::in(TakeAnswer::PARTSTATS)], 'comment' => ['present', 'nullable', 'string', 'max:1000']]);
        $comment = trim((string) $given['comment']);
        $take($meeting, $person, $given['date'] === null ? null : WallTime::parse($given['date']), $given['partstat'], $comment === '' ? null : $comment, Via::Phone, by: self::account($request));

        return $this->show($meeting);
    }

    /** What was kept aside counts after all. */
    public function take(Request $request, Meeting $meeting, Reply $reply, DecideReply $decide): JsonResponse
    {
        abort_unless($reply->meeting_id === $meeting->id, 404);
        $decide->take($meeting, $reply, self::account($request));

        return $this->show($meeting);
    }

    /** It was read, and nothing is to be done. */
    public function dismiss(Request $request, Meeting $meeting, Reply $reply, DecideReply $decide): JsonResponse
    {
        abort_unless($reply->meeting_id === $meeting->id, 404);
        $decide->dismiss($meeting, $reply, self::account($request));

        return $this->show($meeting);
    }

    private static function account(Request $request): Account
    {
        /** @var Account $account */
        $account = $request->user();

        return $account;
    }
}

<?php

declare(strict_types=1);

namespace App\Invitations;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use ZBateson\MailMimeParser\Message;

/** The dispatch book: what was sent to whom, when, and what became of it. */
final class DispatchController
{
    private const PER_PAGE = 50;

    public function index(Request $request): JsonResponse
    {
        $request->validate([
            'q' => ['nullable', 'string', 'max:200'],
            'state' => ['nullable', Rule::in(['open', 'sent', 'failed', 'withdrawn'])],
            'meeting' => ['nullable', 'string'],
            'page' => ['nullable', 'integer', 'min:1'],
        ]);
        $query = Dispatch::query()->with(['person', 'meeting'])->select(['id', 'meeting_id', 'person_id', 'kind', 'sequence', 'recipient', 'subject', 'message_id', 'state', 'hold_until', 'next_try_at', 'tries', 'sent_at', 'outcome', 'created_at']);
        $this->filter($query, $request->string('state')->toString());
        if ($request->filled('meeting')) {
            $query->where('meeting_id', $request->string('meeting')->toString());
        }
        foreach (preg_split('/\s+/', $request->string('q')->toString(), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $like = '%' . addcslashes($word, '%_\\') . '%';
            $query->where(fn(Builder $q) => $q->where('recipient', 'like', $like)->orWhere('subject', 'like', $like));
        }
        $found = $query->orderByDesc('id')->paginate(self::PER_PAGE, page: $request->integer('page', 1));

        return new JsonResponse([
            'dispatches' => array_map($this->row(...), array_values($found->items())),
            'page' => $found->currentPage(),
            'pages' => $found->lastPage(),
            'total' => $found->total(),
        ]);
    }

    public function show(Dispatch $dispatch): JsonResponse
    {
        $dispatch->load(['person', 'meeting']);
        if ($dispatch->kind === DispatchKind::AccountLink) {
            // The link in it opens an account: whoever reads the book must not find it there.
            return new JsonResponse([...$this->row($dispatch), 'text' => null, 'calendar' => null, 'source' => null]);
        }
        $mail = Message::from($dispatch->mail, false);

        return new JsonResponse([
            ...$this->row($dispatch),
            'text' => $mail->getTextContent(),
            'calendar' => $mail->getPart(0, static fn($part): bool => $part->getContentType() === 'text/calendar')?->getContent(),
            'source' => $dispatch->mail,
        ]);
    }

    public function html(Dispatch $dispatch): Response
    {
        $html = $dispatch->kind === DispatchKind::AccountLink ? null : Message::from($dispatch->mail, false)->getHtmlContent();

        return $html === null ? throw new NotFoundHttpException() : new Response($html, 200, ['Content-Type' => 'text/html; charset=utf-8', 'Content-Security-Policy' => InvitationController::FRAME_POLICY]);
    }

    /** @param Builder<Dispatch> $query */
    private function filter(Builder $query, string $state): void
    {
        match ($state) {
            'open' => $query->whereIn('state', [DispatchState::Waiting, DispatchState::Sending]),
            'sent' => $query->where('state', DispatchState::Sent),
            'failed' => $query->whereIn('state', [DispatchState::Refused, DispatchState::GivenUp]),
            'withdrawn' => $query->whereIn('state', [DispatchState::Replaced, DispatchState::TakenBack]),
            default => null,
        };
    }

    /** @return array<string, mixed> */
    private function row(Dispatch $dispatch): array
    {
        return [
            'id' => $dispatch->id,
            'kind' => $dispatch->kind->value,
            'recipient' => $dispatch->recipient,
            'name' => $dispatch->person?->name,
            'meetingId' => $dispatch->meeting_id,
            'meetingTitle' => $dispatch->meeting?->title,
            'subject' => $dispatch->subject,
            'messageId' => $dispatch->message_id,
            'state' => $dispatch->state->value,
            'tries' => $dispatch->tries,
            'holdUntil' => $dispatch->hold_until->toIso8601ZuluString(),
            'nextTryAt' => $dispatch->state === DispatchState::Waiting ? $dispatch->next_try_at->toIso8601ZuluString() : null,
            'sentAt' => $dispatch->sent_at?->toIso8601ZuluString(),
            'outcome' => $dispatch->outcome,
            'createdAt' => $dispatch->created_at->toIso8601ZuluString(),
        ];
    }
}

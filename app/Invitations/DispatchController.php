<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Guests\GuestLinks;
use App\People\Account;
use App\People\FindWords;
use App\People\SearchKey;
use App\People\ViewerClock;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use ZBateson\MailMimeParser\Message;

/** The dispatch book: what was sent to whom, when, and what became of it. */
final readonly class DispatchController
{
    private const PER_PAGE = 50;

    public function __construct(private MakeMail $makeMail, private ViewerClock $clock) {}

    public function index(#[CurrentUser] Account $account, Request $request): JsonResponse
    {
        $request->validate([
            'q' => ['nullable', 'string', 'max:200'],
            'state' => ['nullable', Rule::in(['open', 'sent', 'failed', 'withdrawn'])],
            'meeting' => ['nullable', 'string', 'max:26'],
            'page' => ['nullable', 'integer', 'min:1', 'max:100000'],
        ]);
        $query = Dispatch::query()->with(['person', 'meeting'])->select(['id', 'meeting_id', 'person_id', 'kind', 'sequence', 'recipient', 'subject', 'message_id', 'state', 'hold_until', 'next_try_at', 'tries', 'snapshot_id', 'sent_at', 'outcome', 'created_at']);
        $this->filter($query, $request->string('state')->toString());
        if ($request->filled('meeting')) {
            $query->where('meeting_id', $request->string('meeting')->toString());
        }
        foreach (SearchKey::beginnings($request->string('q')->toString()) as $beginning) {
            $query->where(fn(Builder $q) => $q->whereIn('person_id', FindWords::people($beginning))
                ->orWhereIn('meeting_id', DB::table('meeting_words')->select('meeting_id')->where('word', 'like', $beginning))
                ->orWhere('recipient', 'like', $beginning));
        }
        $found = $query->orderByDesc('id')->paginate(self::PER_PAGE, page: $request->integer('page', 1));

        $again = $this->again($account, array_map(static fn(Dispatch $d): int => $d->id, array_values($found->items())));

        return new JsonResponse([
            'dispatches' => array_map(fn(Dispatch $d): array => $this->row($d, $again), array_values($found->items())),
            'undelivered' => SendAgain::undeliveredFor($account)->when($request->filled('meeting'), fn(Builder $q) => $q->where('meeting_id', $request->string('meeting')->toString()))->count(),
            'page' => $found->currentPage(),
            'pages' => $found->lastPage(),
            'total' => $found->total(),
        ]);
    }

    public function show(#[CurrentUser] Account $account, Dispatch $dispatch): JsonResponse
    {
        $dispatch->load(['person', 'meeting']);
        if ($dispatch->kind === DispatchKind::AccountLink) {
            // The link in it opens an account: whoever reads the book must not find it there.
            return new JsonResponse([...$this->row($dispatch, $this->again($account, [$dispatch->id])), 'text' => null, 'calendar' => null, 'source' => null]);
        }
        $source = $this->makeMail->preview($dispatch);
        $mail = Message::from($source, false);
        if ($dispatch->kind === DispatchKind::TimeOffer) {
            // The link in it answers for whoever it was sent to.
            return new JsonResponse([...$this->row($dispatch, $this->again($account, [$dispatch->id])), 'text' => GuestLinks::masked((string) $mail->getTextContent()), 'calendar' => null, 'source' => null]);
        }

        return new JsonResponse([
            ...$this->row($dispatch, $this->again($account, [$dispatch->id])),
            'text' => $mail->getTextContent(),
            'calendar' => $mail->getPart(0, static fn($part): bool => $part->getContentType() === 'text/calendar')?->getContent(),
            'source' => $source,
        ]);
    }

    public function html(Dispatch $dispatch): Response
    {
        $html = $dispatch->kind === DispatchKind::AccountLink ? null : Message::from($this->makeMail->preview($dispatch), false)->getHtmlContent();

        return $html === null ? throw new NotFoundHttpException() : new Response(GuestLinks::masked($html), 200, ['Content-Type' => 'text/html; charset=utf-8', 'Content-Security-Policy' => InvitationController::FRAME_POLICY]);
    }

    /**
     * @param  list<int>  $ids
     * @return list<int>
     */
    private function again(Account $account, array $ids): array
    {
        return array_values(SendAgain::undeliveredFor($account)->whereIn('id', $ids)->pluck('id')->map(static fn($id): int => (int) $id)->all());
    }

    /** @param Builder<Dispatch> $query */
    private function filter(Builder $query, string $state): void
    {
        match ($state) {
            'open' => $query->whereIn('state', [DispatchState::Waiting, DispatchState::Sending]),
            'sent' => $query->where('state', DispatchState::Sent),
            'failed' => $query->whereIn('state', [DispatchState::Refused, DispatchState::GivenUp]),
            'withdrawn' => $query->whereIn('state', [DispatchState::Replaced, DispatchState::LeftOut, DispatchState::TakenBack]),
            default => null,
        };
    }

    /**
     * @param  list<int>  $again  those of them that may be sent again
     * @return array<string, mixed>
     */
    private function row(Dispatch $dispatch, array $again): array
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
            'outcome' => $dispatch->outcome,
            'createdLocal' => $this->clock->local($dispatch->created_at),
            'sentLocal' => $this->clock->local($dispatch->sent_at),
            'nextTryLocal' => $dispatch->state === DispatchState::Waiting ? $this->clock->local($dispatch->next_try_at) : null,
            // It carries a joining kit that holds no more.
            'stale' => $dispatch->meeting?->kit_stale_at !== null && in_array($dispatch->kind, [DispatchKind::Invitation, DispatchKind::Change], true) && $dispatch->created_at <= $dispatch->meeting->kit_stale_at,
            'mayGoAgain' => in_array($dispatch->id, $again, true),
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Import;

use App\Live\Live;
use App\People\Account;
use App\Planning\SheetView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use ZBateson\MailMimeParser\Message;

/** A mail from a thread (RFC 5322), as the body of a request: a draft begins with its people, subject and text. The file is not kept. */
final readonly class MailFileController
{
    /** Octets. */
    public const MOST = 30_000_000;

    public function __invoke(Request $request, DraftOfMail $draft, SheetView $view, Live $live): JsonResponse
    {
        /** @var Account $account */
        $account = $request->user();
        if ((int) $request->header('Content-Length') > self::MOST) {
            self::refuse('mail_too_large');
        }
        $mail = Message::from($request->getContent(), false);
        if ($mail->getHeader('From') === null && $mail->getHeader('To') === null && $mail->getHeader('Cc') === null) {
            self::refuse('no_mail');
        }
        [$meeting, $notes] = $draft($account, $mail);
        $live->tell([Live::COORDINATION], 'draft', $meeting->id);

        return new JsonResponse(['meeting' => $view->of($meeting->refresh()), 'notes' => $notes], 201);
    }

    private static function refuse(string $why): never
    {
        throw ValidationException::withMessages(['file' => __("import.$why")]);
    }
}

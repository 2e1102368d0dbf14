<?php

declare(strict_types=1);

namespace App\Planning;

use App\Failure\Decide;
use App\Failure\NotNow;
use App\HouseRules\HouseRules;
use App\Live\Live;
use App\People\Account;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Files of a meeting: brought by whoever plans, taken by whoever the meeting concerns. They lie in the database, since no node has files of its own. */
final readonly class MeetingFileController
{
    private const MOST_FILES = 30;

    private const PART = 1_000_000;

    public function __construct(private HouseRules $rules, private Visible $visible, private Live $live) {}

    public function index(Request $request, Meeting $meeting): JsonResponse
    {
        $this->concerned($request, $meeting);

        return new JsonResponse(['files' => MeetingFile::query()->where('meeting_id', $meeting->known_as)->orderBy('created_at')->orderBy('id')->get()->map(self::said(...))->all(), 'mostBytes' => $this->rules->fileBytes()]);
    }

    /** A file as the body of a request. */
    public function store(Request $request, Meeting $meeting): JsonResponse
    {
        $request->validate(['name' => ['required', 'string', 'max:200']]);
        $octets = $request->getContent();
        if ($octets === '' || strlen($octets) > $this->rules->fileBytes()) {
            throw ValidationException::withMessages(['file' => __($octets === '' ? 'planning.file_empty' : 'planning.file_large', ['mb' => intdiv($this->rules->fileBytes(), 1024 * 1024)])]);
        }
        /** @var Account $account */
        $account = $request->user();
        // A name, not a way to it.
        $name = trim((string) preg_replace('#^.*[/\\\\]#', '', $request->string('name')->toString()));
        $file = Decide::on(static function () use ($meeting, $account, $name, $octets): MeetingFile {
            Meeting::query()->lockForUpdate()->findOrFail($meeting->known_as);
            if (MeetingFile::query()->where('meeting_id', $meeting->known_as)->count() >= self::MOST_FILES) {
                throw NotNow::manyFiles();
            }
            $file = MeetingFile::query()->create(['meeting_id' => $meeting->known_as, 'account_id' => $account->id, 'name' => $name === '' ? 'file' : $name, 'type' => self::type($octets), 'size' => strlen($octets), 'created_at' => now()]);
            foreach (str_split($octets, self::PART) as $position => $part) {
                DB::table('meeting_file_parts')->insert(['file_id' => $file->id, 'position' => $position, 'content' => $part]);
            }

            return $file;
        });
        $this->live->tell([Live::COORDINATION], 'meeting', $meeting->known_as);

        return new JsonResponse(self::said($file), 201);
    }

    public function show(Request $request, Meeting $meeting, string $file): StreamedResponse
    {
        $this->concerned($request, $meeting);
        $found = self::file($meeting, $file);

        return new StreamedResponse(static function () use ($found): void {
            $parts = intdiv($found->size + self::PART - 1, self::PART);
            for ($position = 0; $position < $parts; $position++) {
                echo DB::table('meeting_file_parts')->where('file_id', $found->id)->where('position', $position)->value('content');
            }
        }, 200, [
            'Content-Type' => $found->type,
            'Content-Length' => (string) $found->size,
            // Saved, never shown: what is in it is nobody's page.
            'Content-Disposition' => HeaderUtils::makeDisposition('attachment', $found->name, (string) preg_replace('/[^A-Za-z0-9._ -]|%/', '_', $found->name) ?: 'file'),
            'X-Content-Type-Options' => 'nosniff',
            'Content-Security-Policy' => "sandbox; default-src 'none'",
            'Cache-Control' => 'private, no-store',
        ]);
    }

    public function destroy(Meeting $meeting, string $file): Response
    {
        self::file($meeting, $file)->delete();
        $this->live->tell([Live::COORDINATION], 'meeting', $meeting->known_as);

        return new Response(status: 204);
    }

    private function concerned(Request $request, Meeting $meeting): void
    {
        /** @var Account $account */
        $account = $request->user();
        $this->visible->orNotFound($account, $meeting);
    }

    private static function file(Meeting $meeting, string $id): MeetingFile
    {
        return MeetingFile::query()->where('meeting_id', $meeting->known_as)->find($id) ?? throw new NotFoundHttpException();
    }

    /** What it is, by what is in it; what a browser would run is called a plain text. */
    private static function type(string $octets): string
    {
        $type = (string) (new \finfo(FILEINFO_MIME_TYPE))->buffer($octets);

        return match (true) {
            preg_match('#\A[a-z0-9.+-]+/[a-z0-9.+-]+\z#i', $type) !== 1 => 'application/octet-stream',
            preg_match('#html|xml|javascript|ecmascript#i', $type) === 1 => 'text/plain',
            default => $type,
        };
    }

    /** @return array{id: string, name: string, type: string, size: int} */
    private static function said(MeetingFile $file): array
    {
        return ['id' => $file->id, 'name' => $file->name, 'type' => $file->type, 'size' => $file->size];
    }
}

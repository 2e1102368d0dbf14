<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Failure\NotNow;
use App\Live\Live;
use App\People\Account;
use App\Planning\LayDown;
use App\Planning\Meeting;
use App\Planning\MeetingStatus;
use Illuminate\Support\Facades\DB;
use Syndex\Core\Invitations\Announce;
use Syndex\Core\Invitations\Message;
use Syndex\Core\Time\Instant;

/** Sends a meeting: from here on its people know of it. The mails leave by the outbox. */
final readonly class SendMeeting
{
    public function __construct(private SnapshotOf $snapshot, private WriteLetter $letters, private Outbox $outbox, private LayDown $layDown, private Readiness $readiness, private Live $live) {}

    /** @param int $version the version that was read back */
    public function __invoke(Meeting $meeting, int $version): Meeting
    {
        return DB::transaction(function () use ($meeting, $version): Meeting {
            $meeting = Meeting::query()->lockForUpdate()->findOrFail($meeting->id);
            if (!$meeting->status->isEditable()) {
                throw NotNow::locked($meeting->status->value);
            }
            if ($meeting->version !== $version) {
                throw NotNow::changedElsewhere(['version' => $meeting->version]);
            }
            $missing = $this->readiness->missing($meeting);
            if ($missing !== []) {
                throw NotNow::notReady($missing);
            }
            ($this->layDown)($meeting);
            $meeting->update(['status' => MeetingStatus::Sent, 'sent_at' => now(), 'version' => $meeting->version + 1]);
            $messages = Announce::sent($this->snapshot->meeting($meeting), Instant::ofSeconds(now()->getTimestamp()));
            foreach ($messages as $message) {
                $this->dispatch($meeting, $message);
            }
            $this->live->tell([Live::COORDINATION, ...self::channels($meeting)], 'meeting', $meeting->id);

            return $meeting;
        });
    }

    private function dispatch(Meeting $meeting, Message $message): void
    {
        $person = Recipient::of($meeting, $message);
        $letter = $this->letters->invitation($meeting, $person);
        $this->outbox->about($meeting->id, $meeting->uid, $person, $message, $letter->subject, static fn(string $id): string => PackMail::invitation($meeting, $person, $letter, $message, $id));
    }

    /** @return list<string> channels of the colleagues concerned who have an account */
    public static function channels(Meeting $meeting): array
    {
        return array_values(Account::query()->whereIn('person_id', $meeting->attendees->pluck('person_id'))->get()->map(Live::channelOf(...))->all());
    }
}

<?php

declare(strict_types=1);

namespace App\Invitations;

use App\Joining\GivenKit;
use App\People\Person;
use App\Planning\Meeting;
use Syndex\Core\Joining\RoomSetting;
use Syndex\Core\Time\WallTime;

/** Makes the mail of a dispatch from the snapshot of what was told. Made once it is kept, and stays the same. */
final class MakeMail
{
    private ?Snapshot $snapshot = null;

    private MeetingAsTold $told;

    /** What the recipients of a change knew before; of the later part of a series that was cut, what was to come. */
    private ?MeetingAsTold $before = null;

    /** Of the series that was cut: the step at which. */
    private ?Step $cut = null;

    /** @var array<string, SnapshotTexts> by language and country */
    private array $texts = [];

    public function __construct(private readonly FreezeMeeting $freeze, private readonly CoreMeeting $core, private readonly WriteLetter $letters, private readonly LinkPicture $pictures) {}

    /** Makes it if it is not made yet, and keeps it. */
    public function of(Dispatch $dispatch): string
    {
        if ($dispatch->mail === null) {
            [$subject, $mail] = $this->made($dispatch);
            $dispatch->update(['subject' => mb_strimwidth($subject, 0, 990, '…'), 'mail' => $mail]);
        }

        return (string) $dispatch->mail;
    }

    /** For looking at before it is sent: nothing is kept. */
    public function preview(Dispatch $dispatch): string
    {
        return $dispatch->mail ?? $this->made($dispatch)[1];
    }

    /** @return array{string, string} subject and the whole mail */
    private function made(Dispatch $dispatch): array
    {
        $snapshot = $this->recall((int) $dispatch->snapshot_id);
        $isLater = $snapshot->method === Snapshot::LATER;
        $isCancel = $dispatch->kind === DispatchKind::CallingOff;
        $told = $isCancel && $this->before !== null ? $this->before : $this->told;
        $person = $this->person($told, $dispatch);
        $message = $this->texts($snapshot, LetterWords::to($person, $told->host()), $person)->to($dispatch);
        $letter = match (true) {
            $isLater => $this->letters->goesOn($this->before ?? $told, $told, $person, $message),
            $this->before !== null => $this->letters->change($this->before, $this->told, $person, $message, $this->cut === null ? null : $this->goesOnFor($this->cut, $dispatch)),
            $isCancel => $this->letters->callingOff($told, $person),
            default => $this->letters->invitation($told, $person, $dispatch->recurrence_id),
        };

        return [$letter->subject, PackMail::invitation($told, $person, $letter, $message, $dispatch->message_id, $isCancel ? null : $this->picture($told), $dispatch->kind === DispatchKind::Refresh)];
    }

    /** @return ?string a PNG of the link, where its room is to have one */
    private function picture(MeetingAsTold $told): ?string
    {
        $kit = $told->meeting->join_mode->hasLink() ? $told->meeting->kit : null;

        return $kit === null || $told->room?->is(RoomSetting::LinkPicture) !== true ? null : $this->pictures->of(GivenKit::under($kit, $told->room)->link);
    }

    private function person(MeetingAsTold $told, Dispatch $dispatch): Person
    {
        foreach ($told->meeting->everybody() as $asked) {
            if ($asked->person_id === $dispatch->person_id && $asked->person->email === $dispatch->recipient) {
                return $asked->person;
            }
        }

        throw new \LogicException("Whom dispatch $dispatch->id is to is not among those who were told.");
    }

    private function texts(Snapshot $snapshot, LetterWords $words, Person $person): SnapshotTexts
    {
        $country = PhonesFor::country($this->told, $person);
        $entry = EntryWords::of($this->told, $person, $words);
        $known = $snapshot->method === Snapshot::LATER ? null : $this->before;

        // What nobody wrote down then is no difference now.
        $was = $known === null ? [] : ($known->room === null ? $entry : EntryWords::of($known, $person, $words));

        return $this->texts[hash('xxh128', (string) json_encode([$words->language->tag, $country, $was, $entry]))] ??= new SnapshotTexts($snapshot, $known === null ? null : $this->core->of($known, $words, $country, $was), $this->core->of($this->told, $words, $country, $entry));
    }

    /** Whether the same step tells a recipient of the dates that come after the cut. */
    private function goesOnFor(Step $cut, Dispatch $dispatch): bool
    {
        return Dispatch::query()->where('meeting_id', $cut->split_into_id)->where('recipient', $dispatch->recipient)->whereIn('snapshot_id', Snapshot::query()->where('step_id', $cut->id)->select('id'))->exists();
    }

    private function recall(int $id): Snapshot
    {
        if ($this->snapshot?->id === $id) {
            return $this->snapshot;
        }
        $snapshot = Snapshot::query()->findOrFail($id);
        $step = $snapshot->step_id === null ? null : Step::query()->find($snapshot->step_id);
        $this->cut = $step?->split_into_id === null ? null : $step;
        $from = $this->cut === null ? null : Meeting::query()->find($this->cut->split_into_id)?->split_local;
        $this->told = $this->freeze->read($snapshot->content)->withWords($step?->words)->cutFrom($from === null ? null : WallTime::parse($from->format('Y-m-d\TH:i:s')));
        $this->before = $snapshot->before === null ? null : $this->freeze->read($snapshot->before)->withWords($step?->words);
        $this->texts = [];

        return $this->snapshot = $snapshot;
    }
}

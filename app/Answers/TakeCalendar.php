<?php

declare(strict_types=1);

namespace App\Answers;

use App\Failure\NotNow;
use App\People\Person;
use App\Planning\Meeting;
use Carbon\CarbonImmutable;
use Syndex\Core\Answers\AnswerMethod;
use Syndex\Core\Answers\CalendarAnswer;
use Syndex\Core\Answers\NotAnAnswer;
use Syndex\Core\Answers\ReadAnswer;
use Syndex\Core\CoreException;
use Syndex\Core\ICalendar\CalendarTime;
use Syndex\Core\ICalendar\TimeForm;
use Syndex\Core\Invitations\MailAddress;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/** Takes what a calendar program answers by mail (RFC 6047 2.3): only from whoever it says it is from, as far as that is sure. */
final readonly class TakeCalendar
{
    public function __construct(private ZoneData $zones, private TakeAnswer $take, private Propose $propose, private SendRefresh $refresh) {}

    /** @return list<Reply> */
    public function __invoke(Meeting $meeting, ArrivedMail $mail): array
    {
        $person = Sender::among($meeting, $mail->author);
        try {
            $answers = ReadAnswer::of((string) $mail->calendar, $mail->author, $this->zones, Work::usual());
        } catch (NotAnAnswer $not) {
            return [$this->aside($meeting, $person, $mail, "calendar_$not->why")];
        } catch (CoreException) {
            return [$this->aside($meeting, $person, $mail, 'calendar_unread')];
        }
        $doubt = match (true) {
            $answers[0]->uid !== $meeting->uid => 'another_meeting',
            $person === null => 'not_invited',
            MailAddress::key($answers[0]->attendee) !== MailAddress::key($mail->author) => 'on_behalf',
            !Sender::isSure($mail) => 'not_sure',
            default => null,
        };
        if ($doubt !== null) {
            return [$this->aside($meeting, $person, $mail, $doubt, $answers[0])];
        }
        $replies = [];
        foreach ($answers as $at => $answer) {
            $replies[] = $this->one($meeting, $person, $answer, $mail, $at);
        }

        return $replies;
    }

    private function one(Meeting $meeting, Person $person, CalendarAnswer $answer, ArrivedMail $mail, int $at): Reply
    {
        $came = ['sender' => mb_strimwidth($mail->author, 0, 254), 'digest' => $at === 0 ? $mail->digest : hash('sha256', "$mail->digest $at")];
        $date = $answer->recurrenceId === null ? null : $this->named($meeting, $answer->recurrenceId);
        $comment = $answer->comment === null ? null : mb_strimwidth($answer->comment, 0, 1000, '…');
        $stamp = $answer->stamp === null ? null : CarbonImmutable::createFromTimestampUTC($answer->stamp);
        try {
            return match (true) {
                $answer->method === AnswerMethod::Refresh => ($this->refresh)($meeting, $person, $mail, $came),
                $answer->method === AnswerMethod::Counter && $answer->start !== null => $this->propose->otherTime($meeting, $person, $date, $this->moment($meeting, $answer->start), $answer->end === null ? null : intdiv($answer->end->seconds - $answer->start->seconds, 60), $comment, Via::Mail, $answer->sequence, $came),
                $answer->delegate !== null => $this->propose->handOn($meeting, $person, $date, $answer->delegate, $comment, Via::Mail, $answer->sequence, $came),
                in_array($answer->partstat, TakeAnswer::PARTSTATS, true) => ($this->take)($meeting, $person, $date, $answer->partstat, $comment, Via::Mail, $answer->sequence, $stamp, null, $came),
                default => $this->noted($meeting, $person, $date, $answer, $comment, $came, 'nothing_said'),
            };
        } catch (NotNow $not) {
            return $this->noted($meeting, $person, $date, $answer, $comment, $came, $not->errorCode);
        }
    }

    /** Kept for the coordinator, and never taken by itself. */
    private function aside(Meeting $meeting, ?Person $person, ArrivedMail $mail, string $why, ?CalendarAnswer $answer = null): Reply
    {
        $date = $answer?->recurrenceId === null ? null : $this->named($meeting, $answer->recurrenceId);

        return Reply::query()->create([
            'meeting_id' => $meeting->id, 'person_id' => $person->id ?? ($answer === null ? null : Sender::among($meeting, $answer->attendee)?->id), 'kind' => match (true) {
                $answer?->method === AnswerMethod::Counter => ReplyKind::OtherTime,
                $answer?->method === AnswerMethod::Refresh => ReplyKind::Refresh,
                $answer?->delegate !== null => ReplyKind::HandedOn,
                $answer === null => ReplyKind::Other,
                default => ReplyKind::Answer,
            },
            'via' => Via::Mail->value, 'state' => ReplyState::Aside, 'why' => $why, 'sender' => mb_strimwidth($mail->author, 0, 254), 'date_local' => TakeAnswer::column($date),
            'partstat' => $answer?->partstat, 'comment' => $answer->comment ?? ($mail->words === '' ? $mail->subject : $mail->words), 'delegate' => $answer?->delegate,
            'proposed_at' => $answer?->start === null ? null : CarbonImmutable::createFromTimestampUTC($this->moment($meeting, $answer->start)),
            'digest' => $mail->digest, 'mail' => $mail->octets, 'created_at' => now(),
        ]);
    }

    /** @param array<string, mixed> $came */
    private function noted(Meeting $meeting, Person $person, ?WallTime $date, CalendarAnswer $answer, ?string $comment, array $came, string $why): Reply
    {
        return Reply::query()->create([
            'meeting_id' => $meeting->id, 'person_id' => $person->id, 'kind' => $answer->method === AnswerMethod::Counter ? ReplyKind::OtherTime : ReplyKind::Answer, 'via' => Via::Mail->value, 'state' => ReplyState::PassedOver,
            'why' => mb_strimwidth($why, 0, 30), 'date_local' => TakeAnswer::column($date), 'partstat' => $answer->partstat, 'comment' => $comment, 'created_at' => now(), ...$came,
        ]);
    }

    /** The date as the series names it, on the clock of the anchor. */
    private function named(Meeting $meeting, CalendarTime $time): WallTime
    {
        return WallTime::ofSeconds(in_array($time->form, [TimeForm::Date, TimeForm::Floating], true) ? $time->seconds : $this->zones->zone($meeting->zone)->toWall($time->seconds));
    }

    /** Seconds; a time without a zone is one on the clock of the anchor. */
    private function moment(Meeting $meeting, CalendarTime $time): int
    {
        return in_array($time->form, [TimeForm::Date, TimeForm::Floating], true) ? $this->zones->zone($meeting->zone)->toUtc($time->seconds) : $time->seconds;
    }
}

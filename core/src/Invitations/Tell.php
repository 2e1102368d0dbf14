<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

use Syndex\Core\Time\Instant;
use Syndex\Core\Work;

/**
 * Who must be told what of a step, and who not (RFC 5546 2.1.4, 3.2.2, 3.2.5).
 *
 * It knows no past: who would leave past dates as they are holds them back from both states.
 */
final class Tell
{
    /**
     * @param  ?MeetingSnapshot  $before  as it was last told; null: nobody was told of anything
     * @param  ?MeetingSnapshot  $after  null: it is withdrawn
     * @param  ?int  $sequence  of the step, where it is settled already
     * @param  bool  $tellAll  those too whom a change of people alone would leave out
     */
    public static function of(?MeetingSnapshot $before, ?MeetingSnapshot $after, Instant $now, bool $tellAll, Work $work, ?int $sequence = null): Told
    {
        $addresses = self::addresses($before, $after);
        $before = $before?->folded();
        $after = $after?->folded();
        $isPlanned = static fn(?MeetingSnapshot $meeting): bool => $meeting !== null && !$meeting->isCalledOff;
        $change = $before !== null && $after !== null && $isPlanned($before) && $isPlanned($after) ? new MeetingChange($before, $after, $work) : null;
        $organizer = MailAddress::key(($after ?? $before)->organizerAddress ?? '');
        $what = new WhatToSay($before, $after, $change, $tellAll, $work);
        $sayings = $untouched = [];
        foreach ($addresses as $key => $address) {
            $to = (string) $key === $organizer ? [] : $what->to((string) $key);
            if ($to === []) {
                $untouched[] = $address;
            }
            $sayings = [...$sayings, ...$to];
        }
        $sequence ??= max($before->sequence ?? 0, $after->sequence ?? 0) + (self::rises($before, $after, $change, $sayings) ? 1 : 0);
        $texts = new MessageTexts($before, $after, $sequence, $now, $work);
        $messages = array_map(static fn(Saying $saying): Message => new Message($saying->to, $saying->method, $sequence, $texts->recurrenceId($saying), $saying->changes, $texts->of($saying)), $sayings);
        usort($messages, static fn(Message $a, Message $b): int => [$a->to, $a->recurrenceId ?? '', $a->method->value] <=> [$b->to, $b->recurrenceId ?? '', $b->method->value]);
        sort($untouched, SORT_STRING);

        return new Told($sequence, $messages, $untouched);
    }

    /** @param list<Saying> $sayings */
    private static function rises(?MeetingSnapshot $before, ?MeetingSnapshot $after, ?MeetingChange $change, array $sayings): bool
    {
        if ($before === null) {
            return false;
        }
        foreach ($sayings as $saying) {
            if ($saying->method === Method::Cancel) {
                return true;
            }
        }

        return $change !== null ? $change->isSignificant() : $after !== null && $before->isCalledOff !== $after->isCalledOff;
    }

    /** @return array<array-key, string> everybody in the lists of either, by key; as the later state writes them */
    private static function addresses(?MeetingSnapshot $before, ?MeetingSnapshot $after): array
    {
        $addresses = [];
        foreach ([$before, $after] as $meeting) {
            foreach ($meeting === null ? [] : [$meeting->invitees, ...array_column($meeting->exceptions, 'invitees')] as $list) {
                foreach ($list as $invitee) {
                    $addresses[$invitee->key] = $invitee->email;
                }
            }
        }

        return $addresses;
    }
}

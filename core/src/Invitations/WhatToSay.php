<?php

declare(strict_types=1);

namespace Syndex\Core\Invitations;

use Syndex\Core\Work;

/**
 * What one person must be told, so that their calendar shows what of the meeting concerns them (RFC 5546 3.2.2, 3.2.5).
 *
 * Who holds the whole set is told of one date that differs by itself, of more by the whole set; who holds single dates is told of
 * each.
 */
final readonly class WhatToSay
{
    private bool $hadDates;

    private bool $hasDates;

    /** @param ?MeetingChange $change where there was a planned meeting and is one still */
    public function __construct(private ?MeetingSnapshot $before, private ?MeetingSnapshot $after, private ?MeetingChange $change, private bool $tellAll, private Work $work)
    {
        $this->hadDates = $before !== null && DateSet::hasMoreThan($before->series, 0, $work);
        $this->hasDates = $after !== null && DateSet::hasMoreThan($after->series, 0, $work);
    }

    /** @return list<Saying> in the order in which they are to be applied */
    public function to(string $key): array
    {
        $this->work->spend(20 + 2 * count($this->change->mentioned ?? []));
        $was = RecipientView::of($this->before, $key, $this->hadDates, $this->work);
        $now = RecipientView::of($this->after, $key, $this->hasDates, $this->work);
        if ($was->isNothing()) {
            return $now->isNothing() ? [] : $this->invited($now, [Change::New]);
        }
        if ($now->isWhole) {
            return $was->isWhole ? $this->told($was, $now) : [Saying::whole($now, $this->address($now), [Change::New])];
        }
        if ($was->isWhole) {
            return $this->leftTheWhole($was, $now);
        }

        return $this->dateByDate($was, $now);
    }

    /**
     * @param  list<Change>  $changes
     * @return list<Saying>
     */
    private function invited(RecipientView $now, array $changes): array
    {
        $to = $this->address($now);

        return $now->isWhole ? [Saying::whole($now, $to, $changes)] : array_map(static fn(MeetingDate $date): Saying => Saying::date($date, $to, $now->key, $changes), $now->dates);
    }

    /** @return list<Saying> */
    private function told(RecipientView $was, RecipientView $now): array
    {
        if ($this->change === null) {
            return [];
        }
        $found = Differences::between($was, $now, $this->change, $this->tellAll);
        if ($found->isNothing()) {
            return [];
        }
        $only = $this->change->after->isSeries() ? $found->onlyDate() : null;
        if ($only === null) {
            return [Saying::whole($now, $this->address($now), $found->all())];
        }

        return [$only->isGone
            ? Saying::gone($this->change->before->on($only->recurrenceId), $this->address($was), $was->key, !$this->change->has($only->recurrenceId), $only->changes)
            : Saying::date($this->change->after->on($only->recurrenceId), $this->address($now), $now->key, $only->changes)];
    }

    /** @return list<Saying> */
    private function leftTheWhole(RecipientView $was, RecipientView $now): array
    {
        $to = $this->address($was);
        if ($this->change === null) {
            return [Saying::gone(null, $to, $was->key, true, [Change::CalledOff])];
        }
        $isOff = !$this->hasDates;
        $isAsked = $this->change->after->invitee($was->key) !== null;

        return [Saying::gone(null, $to, $was->key, $isOff, [$isOff || $isAsked ? Change::DateDropped : Change::People]), ...$this->invited($now, [Change::New])];
    }

    /** @return list<Saying> */
    private function dateByDate(RecipientView $was, RecipientView $now): array
    {
        $left = [];
        foreach ($now->dates as $date) {
            $left[$this->moment($now, $date)] = $date;
        }
        $sayings = $unmatched = [];
        foreach ($was->dates as $date) {
            $moment = $this->moment($was, $date);
            $same = $left[$moment] ?? null;
            if ($same === null) {
                $unmatched[] = $date;

                continue;
            }
            unset($left[$moment]);
            $changes = [...($this->change?->ofMeeting() ?? []), ...Differences::ofDate($date, $same, $was->key, $this->tellAll)];
            if ($changes !== []) {
                $sayings[] = Saying::date($same, $this->address($now), $now->key, $changes);
            }
        }
        foreach ($unmatched as $date) {
            $moved = $this->moved($date, $left, $now);
            if ($moved !== null) {
                unset($left[$this->moment($now, $moved)]);
                $changes = [Change::Time, ...($this->change?->ofMeeting() ?? []), ...Differences::ofDate($date, $moved, $was->key, $this->tellAll)];
                $sayings[] = Saying::gone($date, $this->address($was), $was->key, true, $changes);
                $sayings[] = Saying::date($moved, $this->address($now), $now->key, $changes);
            } else {
                $sayings[] = $this->dateGone($date, $was, $now->isNothing());
            }
        }
        foreach ($left as $date) {
            $sayings[] = Saying::date($date, $this->address($now), $now->key, [Change::DateAdded]);
        }

        return $sayings;
    }

    private function dateGone(MeetingDate $date, RecipientView $was, bool $isAll): Saying
    {
        $to = $this->address($was);
        if ($this->change === null) {
            return Saying::gone($date, $to, $was->key, true, [Change::CalledOff]);
        }
        $isOn = $this->change->isOneFrame() ? $this->change->has($date->recurrenceId) : DateSet::among($this->change->after->series, [$date->recurrenceId], $this->work)->has($date->recurrenceId);

        return Saying::gone($date, $to, $was->key, !$isOn, [$isOn && $isAll ? Change::People : Change::DateDropped]);
    }

    /**
     * Where the whole was moved: the date that stands where this one stood.
     *
     * @param array<string, MeetingDate> $left
     */
    private function moved(MeetingDate $date, array $left, RecipientView $now): ?MeetingDate
    {
        if ($this->change === null || !$this->change->isTime) {
            return null;
        }

        return $left[$this->moment($now, $this->change->after->plainDate($this->change->counterpart($date->recurrenceId)))] ?? null;
    }

    private function moment(RecipientView $view, MeetingDate $date): string
    {
        $series = $view->meeting?->series;

        return $series === null ? '' : ($series->allDay ? 'day ' : '') . $series->moment($date->recurrenceId->seconds);
    }

    private function address(RecipientView $view): string
    {
        $invitee = $view->isWhole ? $view->meeting?->invitee($view->key) : ($view->dates[0] ?? null)?->invitee($view->key);

        return $invitee->email ?? $view->key;
    }
}

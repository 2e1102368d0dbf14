<?php

declare(strict_types=1);

namespace App\Failure;

/** The state of things does not allow it; each maker names one such case. */
final class NotNow extends Refusal
{
    /** @param 'running'|'done'|'failed'|'looked' $state */
    public static function importIs(string $state): self
    {
        return new self('import_' . $state, 409, __('failures.import_' . $state));
    }

    public static function notAGuest(): self
    {
        return new self('not_a_guest', 409, __('failures.not_a_guest'));
    }

    public static function askedAhead(int $meetings): self
    {
        return new self('asked_ahead', 409, __('failures.asked_ahead', ['count' => $meetings]), ['meetings' => $meetings]);
    }

    public static function nobodyToCoordinate(int $meetings): self
    {
        return new self('nobody_to_coordinate', 422, __('failures.nobody_to_coordinate', ['count' => $meetings]));
    }

    public static function nobodyToHost(int $meetings): self
    {
        return new self('nobody_to_host', 422, __('failures.nobody_to_host', ['count' => $meetings]));
    }

    public static function manyFiles(): self
    {
        return new self('many_files', 409, __('failures.many_files'));
    }

    public static function locked(string $status): self
    {
        return new self('locked', 409, __('failures.locked_' . $status));
    }

    /** @param array<string, mixed> $current the sheet as it stands now, so that nothing typed need be lost */
    public static function changedElsewhere(array $current): self
    {
        return new self('changed_elsewhere', 409, __('failures.changed_elsewhere'), ['current' => $current]);
    }

    /** @param list<string> $missing */
    public static function notReady(array $missing): self
    {
        return new self('not_ready', 422, __('failures.not_ready'), ['missing' => $missing]);
    }

    /** @param bool $all whether there are no more than so many */
    public static function manyDates(int $dates, bool $all): self
    {
        return new self('many_dates', 422, __($all ? 'failures.many_dates' : 'failures.more_dates', ['count' => number_format($dates)]), ['dates' => $dates]);
    }

    public static function tooLateToTakeBack(): self
    {
        return new self('too_late', 409, __('failures.too_late'));
    }

    public static function notAgain(): self
    {
        return new self('not_again', 409, __('failures.not_again'));
    }

    public static function kitIsKnown(): self
    {
        return new self('kit_is_known', 409, __('failures.kit_is_known'));
    }

    public static function changeWaits(): self
    {
        return new self('change_waits', 409, __('failures.change_waits'));
    }

    public static function cannotSplit(): self
    {
        return new self('cannot_split', 422, __('failures.cannot_split'));
    }

    public static function changedSince(): self
    {
        return new self('changed_since', 409, __('failures.changed_since'));
    }

    public static function nothingBefore(): self
    {
        return new self('nothing_before', 409, __('failures.nothing_before'));
    }

    public static function tooManyBlueprints(int $most): self
    {
        return new self('too_many_blueprints', 409, __('failures.too_many_blueprints', ['most' => (string) $most]));
    }

    /** More people are called into what goes on. */
    public static function noneGoesOn(): self
    {
        return new self('none_goes_on', 409, __('failures.none_goes_on'));
    }

    public static function over(): self
    {
        return new self('over', 409, __('failures.over'));
    }

    public static function noSuchDate(): self
    {
        return new self('no_such_date', 409, __('failures.no_such_date'));
    }

    public static function notAsked(): self
    {
        return new self('not_asked', 409, __('failures.not_asked'));
    }

    public static function decidedAlready(): self
    {
        return new self('decided_already', 409, __('failures.decided_already'));
    }

    public static function linkSpent(): self
    {
        return new self('link_spent', 410, __('failures.link_spent'));
    }

    public static function guestLinkUnknown(): self
    {
        return new self('no_such_link', 404, __('failures.no_such_link'));
    }

    /** @param string $message in the language of whoever was asked */
    public static function offerIsOver(string $message): self
    {
        return new self('offer_is_over', 409, $message);
    }

    public static function offerIsOpen(): self
    {
        return new self('offer_is_open', 409, __('failures.offer_is_open'));
    }

    public static function noOffer(): self
    {
        return new self('no_offer', 409, __('failures.no_offer'));
    }

    public static function manyFilesGiven(): self
    {
        return new self('many_files_given', 429, __('failures.many_files_given'));
    }

    public static function calendarIsKnown(): self
    {
        return new self('calendar_is_known', 409, __('failures.calendar_is_known'));
    }

    public static function lastAdministrator(): self
    {
        return new self('last_administrator', 409, __('failures.last_administrator'));
    }

    public static function notEmpty(): self
    {
        return new self('not_empty', 409, __('failures.not_empty'));
    }
}

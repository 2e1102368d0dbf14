<?php

declare(strict_types=1);

namespace Syndex\Core\Joining;

/**
 * Decides on those who come to one meeting, in the order in which they come. It knows no clock and no store: each arrival carries its
 * moment, and who holds a place is remembered by the desk alone.
 *
 * The same decision stands behind the picture on the sheet, the page on which people join, and the bridge.
 */
final class EntryDesk
{
    private bool $isHostHere = false;

    /** @var array<string, true> who holds a place */
    private array $inside = [];

    /** @var array<string, Arrival> whose last answer was that no host is here, in the order of those answers */
    private array $waiting = [];

    /** @param int $start a moment, in seconds since 1970 */
    public function __construct(private readonly EntryRules $rules, private readonly int $start) {}

    public function decide(Arrival $arrival): EntryDecision
    {
        // A person is again at the end of those who wait, or waits no more.
        unset($this->waiting[$arrival->id]);
        [$outcome, $reason] = $this->answer($arrival);
        if ($reason === EntryReason::NoHost) {
            $this->waiting[$arrival->id] = $arrival;
        }
        $answer = $this->noted($arrival, $outcome, $reason);
        if ($reason !== EntryReason::Host || $this->isHostHere) {
            return new EntryDecision($answer);
        }
        $this->isHostHere = true;
        $waiting = array_values($this->waiting);
        $this->waiting = [];

        return new EntryDecision($answer, array_map(fn(Arrival $one): EntryAnswer => $this->noted($one, ...$this->inTheRoom($one)), $waiting));
    }

    private function noted(Arrival $arrival, EntryOutcome $outcome, EntryReason $reason): EntryAnswer
    {
        if ($outcome === EntryOutcome::Admitted) {
            $this->inside[$arrival->id] = true;
        }

        return new EntryAnswer($arrival->id, $outcome, $reason);
    }

    /** @return array{EntryOutcome, EntryReason} by the first that holds */
    private function answer(Arrival $arrival): array
    {
        $rules = $this->rules;
        $ahead = $this->start - $arrival->at;
        $isBeforeDoors = $ahead > $rules->doors * 60;

        return match (true) {
            $rules->passcode && $arrival->passcode === PasscodeGiven::Wrong => [EntryOutcome::Refused, EntryReason::PasscodeWrong],
            $rules->passcode && $arrival->passcode === PasscodeGiven::None => [EntryOutcome::Refused, EntryReason::PasscodeMissing],
            $arrival->who->runsIt() => $isBeforeDoors && $ahead > $rules->opens * 60 ? [EntryOutcome::Closed, EntryReason::TooEarly] : [EntryOutcome::Admitted, EntryReason::Host],
            $rules->countries?->lets($arrival->country) === false => [EntryOutcome::Refused, EntryReason::Country],
            $rules->signIn && !$arrival->isSignedIn() => [EntryOutcome::Refused, EntryReason::SignIn],
            $rules->invitedOnly && $arrival->who === ArrivesAs::Stranger => [EntryOutcome::Refused, EntryReason::NotInvited],
            $isBeforeDoors => [EntryOutcome::Closed, EntryReason::TooEarly],
            $rules->lock !== null && -$ahead >= $rules->lock * 60 => [EntryOutcome::Refused, EntryReason::Locked],
            default => $this->inTheRoom($arrival),
        };
    }

    /** @return array{EntryOutcome, EntryReason} what depends on who is there already */
    private function inTheRoom(Arrival $arrival): array
    {
        $others = count($this->inside) - (isset($this->inside[$arrival->id]) ? 1 : 0);
        $beforeHost = $this->isHostHere ? BeforeHost::Enter : $this->rules->beforeHost;

        return match (true) {
            $this->rules->capacity !== null && $others >= $this->rules->capacity => [EntryOutcome::Refused, EntryReason::Full],
            $beforeHost === BeforeHost::Lobby => [EntryOutcome::Lobby, EntryReason::NoHost],
            $beforeHost === BeforeHost::Wait => [EntryOutcome::Waits, EntryReason::NoHost],
            $this->rules->holds($arrival) => [EntryOutcome::Lobby, EntryReason::Lobby],
            default => [EntryOutcome::Admitted, EntryReason::Open],
        };
    }
}

<?php

declare(strict_types=1);

namespace App\Import;

use App\Failure\Decide;
use App\People\Account;
use App\People\FindOrRemember;
use App\People\Person;
use App\People\PersonKind;
use App\Planning\JoinMode;
use App\Planning\KeepRows;
use App\Planning\Meeting;
use App\Planning\MeetingSeries;
use App\Planning\SheetDate;
use App\Planning\SheetLimits;
use App\Planning\StartDraft;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Invitations\MailAddress;
use Syndex\Core\Planning\AdoptedDate;
use Syndex\Core\Planning\AdoptedMeeting;
use Syndex\Core\Time\PlaceName;
use Syndex\Core\Time\WallTime;

/** Begins a draft with what a foreign event says. Its people are found by address; who is not known becomes an outside guest. */
final readonly class DraftOfEvent
{
    public function __construct(private StartDraft $startDraft, private FindOrRemember $find) {}

    /** @return array{Meeting, list<string>} the draft, and what did not come over as it was */
    public function __invoke(Account $account, AdoptedMeeting $event): array
    {
        $notes = array_map(self::say(...), $event->notes);
        $rule = $event->series->rule?->toText();
        if (strlen($rule ?? '') > SheetLimits::RULE) {
            CalendarFileRequest::refuse('rule_too_long');
        }
        [$place, $links] = self::placeAndLinks($event);
        $values = [
            'title' => self::cut($event->title, SheetLimits::TITLE, 'title', $notes),
            'purpose' => self::cut($event->purpose, SheetLimits::PURPOSE, 'purpose', $notes),
            'place' => $place === '' ? null : self::cut($place, SheetLimits::PLACE, 'place', $notes),
            'links' => $links,
            'join_mode' => $place === '' ? JoinMode::Undecided : JoinMode::InPerson,
            ...MeetingSeries::columns($event->series, $event->moved),
            'zone' => $event->anchor->id,
            'duration_minutes' => $event->durationMinutes,
        ];

        return Decide::on(function () use ($account, $event, $values, $notes): array {
            $people = $this->people($event, $notes);
            $host = $people[0]['person'] ?? $account->person;
            $host = $host->kind === PersonKind::Colleague ? $host : $account->person;
            if ($people === []) {
                $people = [['person' => $account->person, 'role' => AttendeeRole::Required]];
            }
            $isThere = array_filter($people, static fn(array $p): bool => $p['person']->is($host)) !== [];

            $draft = $this->startDraft->with($account, [...$values, 'host_id' => $isThere ? $host->id : null], $people);
            KeepRows::dates($draft, array_map(
                static fn(AdoptedDate $d): SheetDate => new SheetDate($d->date, $d->minutes, $d->title === null ? null : mb_substr($d->title, 0, SheetLimits::TITLE), $d->place === null ? null : mb_substr($d->place, 0, SheetLimits::PLACE), null),
                array_slice($event->dates, 0, SheetLimits::OWN_DATES),
            ));

            return [$draft, $notes];
        });
    }

    /**
     * @param  list<string>  $notes
     *
     * @param-out list<string> $notes
     *
     * @return list<array{person: Person, role: AttendeeRole}>
     */
    private function people(AdoptedMeeting $event, array &$notes): array
    {
        $people = [];
        $unusable = 0;
        foreach (array_slice($event->people, 0, SheetLimits::PEOPLE_OF_A_FILE) as ['person' => $named, 'isRequired' => $isRequired]) {
            $address = MailAddress::check($named->email)->address;
            if ($address === null) {
                $unusable++;

                continue;
            }
            $person = ($this->find)($address, $named->name);
            $people[$person->id] ??= ['person' => $person, 'role' => $isRequired ? AttendeeRole::Required : AttendeeRole::Optional];
        }
        if ($unusable > 0) {
            $notes[] = trans_choice('import.addresses', $unusable);
        }
        if (count($event->people) > SheetLimits::PEOPLE_OF_A_FILE) {
            $notes[] = self::line('import.many_people', ['count' => SheetLimits::PEOPLE_OF_A_FILE]);
        }

        return array_values($people);
    }

    /** @return array{string, list<array{label: string, url: string}>} */
    private static function placeAndLinks(AdoptedMeeting $event): array
    {
        $isLink = static fn(string $text): bool => strlen($text) <= SheetLimits::ADDRESS && preg_match('#\Ahttps?://[^\s<>"]+\z#i', $text) === 1;
        $place = $isLink($event->place) ? '' : $event->place;
        $urls = array_values(array_unique(array_filter([$event->url ?? '', $event->place], $isLink)));

        return [$place, array_map(static fn(string $url): array => ['label' => '', 'url' => $url], $urls)];
    }

    /**
     * @param  list<string>  $notes
     *
     * @param-out list<string> $notes
     */
    private static function cut(string $text, int $most, string $what, array &$notes): string
    {
        if (mb_strlen($text) > $most) {
            $notes[] = self::line("import.cut_$what", ['count' => $most]);
        }

        return mb_substr($text, 0, $most);
    }

    /** @param array{code: string, with: array<string, string>} $note */
    private static function say(array $note): string
    {
        $with = $note['with'];
        if (isset($with['zone'])) {
            $with['zone'] = PlaceName::of($with['zone']);
        }
        if (isset($with['date'])) {
            $with['date'] = gmdate('j F Y', WallTime::parse($with['date'])->seconds);
        }

        return self::line('import.' . $note['code'], $with);
    }

    /** @param array<string, int|string> $with */
    private static function line(string $key, array $with): string
    {
        $line = __($key, $with);

        return is_string($line) ? $line : $key;
    }
}

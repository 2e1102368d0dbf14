<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Answers\Propose;
use App\Answers\TakeAnswer;
use App\Answers\Via;
use App\HouseRules\HouseRules;
use App\Invitations\CallOffMeeting;
use App\Invitations\Dispatch;
use App\Invitations\SendMeeting;
use App\People\Absence;
use App\People\Account;
use App\People\Calendar;
use App\People\DemoPassword;
use App\People\Journey;
use App\People\Person;
use App\People\PersonKind;
use App\People\ReadCalendar;
use App\People\Role;
use App\People\SavePerson;
use App\People\SearchKey;
use App\People\SetCalendar;
use App\People\Team;
use App\Planning\Blueprints;
use App\Planning\GiveKit;
use App\Planning\KeepMeeting;
use App\Planning\Meeting;
use App\Planning\Occurrence;
use App\Planning\StartDraft;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Http;
use Syndex\Core\ICalendar\AttendeeRole;
use Syndex\Core\Recurrence\RuleParser;
use Syndex\Core\Recurrence\Series;
use Syndex\Core\Time\WallTime;
use Syndex\Core\Time\ZoneData;
use Syndex\Core\Work;

/**
 * Fills an empty house with the demo: people, accounts and meetings in every state, by the same actions as the
 * interface.
 *
 * @phpstan-import-type Row from DemoMeetings
 */
final class DemoSeeder extends Seeder
{
    private const DOMAIN = '@sakura-seed.example';

    public function __construct(
        private readonly SavePerson $savePerson,
        private readonly GiveKit $giveKit,
        private readonly StartDraft $startDraft,
        private readonly KeepMeeting $keep,
        private readonly SendMeeting $send,
        private readonly CallOffMeeting $callOff,
        private readonly ZoneData $zones,
        private readonly HouseRules $rules,
        private readonly SetCalendar $setCalendar,
        private readonly ReadCalendar $readCalendar,
        private readonly Blueprints $blueprints,
        private readonly TakeAnswer $takeAnswer,
        private readonly Propose $propose,
    ) {}

    public function run(): void
    {
        $calendars = (string) config('syndex.calendars.url');
        $this->rules->set(['organisation' => 'Sakura Seed Union', 'feedHosts' => $calendars === '' ? [] : [(string) parse_url($calendars, PHP_URL_HOST) . ':' . parse_url($calendars, PHP_URL_PORT)]]);
        foreach (DemoPeople::colleagues() as [$name, $email, $zone, $language, $job, $hours]) {
            [$country, $region] = DemoPeople::countries()[$zone] ?? [null, null];
            ($this->savePerson)(new Person(), ['kind' => PersonKind::Colleague, 'name' => $name, 'email' => $email, 'zone' => $zone, 'country' => $country, 'region' => $region, 'language' => $language, 'job' => $job, 'hours' => $hours]);
        }
        $this->whereabouts();
        foreach (DemoPeople::guests() as [$email, $name, $zone]) {
            ($this->savePerson)(new Person(), ['kind' => PersonKind::Guest, 'name' => $name, 'email' => $email, 'zone' => $zone]);
        }
        $coordinator = $this->account('wanjiru.achola', Role::Coordinator, ['clocks' => ['America/Lima', 'Pacific/Auckland']]);
        $this->account('joram.kiptui', Role::Administrator, []);
        $this->account('ines.varela', Role::Colleague, []);
        $this->account('lena.strand', Role::Coordinator, []);
        foreach ($calendars === '' ? [] : DemoPeople::colleagues() as [, $email]) {
            ($this->readCalendar)($this->setCalendar->feed($this->person($email), "$calendars/feeds/" . strstr($email, '@', true) . '.ics'));
        }
        foreach (DemoMeetings::rows() as $row) {
            $this->meeting($row, $coordinator);
        }
        $this->blueprintsOf($coordinator);
        $this->answers();
        if ($calendars !== '') {
            $this->clash("$calendars/feeds/ines.varela.ics");
        }
    }

    /** Ten, from meetings that are there; some shared with the first team of whoever keeps them. */
    private function blueprintsOf(Account $coordinator): void
    {
        $team = $coordinator->person->teams()->orderBy('name_key')->first()?->id;
        foreach (DemoMeetings::blueprints() as $name => [$title, $shared, $words, $settings]) {
            $meeting = Meeting::query()->where('title', $title)->whereNull('changes_id')->firstOrFail();
            $was = $meeting->room;
            $meeting->setAttribute('room', $settings === [] ? null : ['settings' => $settings, 'coHosts' => [], 'account' => null]);
            $blueprint = $this->blueprints->derive($coordinator, $meeting, $name, $shared ? $team : null, $words);
            // What was sent stays as it was sent.
            $meeting->update(['room' => $was, 'blueprint_id' => null]);
            $blueprint->update(['used' => strlen($name) % 4]);
        }
    }

    /** Who comes to the trials of the quarter, who does not, and who would rather come later. */
    private function answers(): void
    {
        $meeting = Meeting::query()->where('title', 'Quarterly trials')->whereNull('changes_id')->firstOrFail();
        $dates = $meeting->occurrences()->orderBy('starts_at')->limit(3)->get()->map(static fn(Occurrence $o): WallTime => WallTime::parse($o->date_local->format('Y-m-d\TH:i:s')))->all();
        foreach (DemoMeetings::answers() as [$who, $date, $partstat, $comment, $via]) {
            ($this->takeAnswer)($meeting, $this->person($who . self::DOMAIN), $date === null ? null : $dates[$date], $partstat, $comment, $via);
        }
        $this->propose->otherTime($meeting, $this->person('lerato.nkomani' . self::DOMAIN), $dates[2], $meeting->occurrences()->where('date_local', TakeAnswer::column($dates[2]))->firstOrFail()->starts_at->getTimestamp() + 5400, $meeting->duration_minutes, 'The school run, until then.', Via::Mail, null);
    }

    /** What somebody has comes to lie on a meeting of which they were told. */
    private function clash(string $feed): void
    {
        $ines = $this->person('ines.varela' . self::DOMAIN);
        $date = Occurrence::query()->whereIn('meeting_id', Meeting::query()->select('id')->where('title', 'Quarterly trials')->whereNull('changes_id'))->orderBy('starts_at')->first();
        if ($date === null) {
            return;
        }
        $start = $date->starts_at->addMinutes(15);
        $event = "BEGIN:VEVENT\r\nUID:visit@calendars.example\r\nDTSTAMP:20260101T000000Z\r\nDTSTART:" . $start->format('Ymd\THis\Z') . "\r\nDTEND:" . $start->addHour()->format('Ymd\THis\Z') . "\r\nSUMMARY:Auditors\r\nEND:VEVENT\r\n";
        Http::withBody(str_replace('END:VCALENDAR', $event . 'END:VCALENDAR', Http::get($feed)->throw()->body()), 'text/calendar')->put($feed)->throw();
        Date::setTestNow(now()->addSeconds(2));
        ($this->readCalendar)(Calendar::query()->where('person_id', $ines->id)->firstOrFail());
        Date::setTestNow();
    }

    private function whereabouts(): void
    {
        $day = static fn(int $days): string => now()->addDays($days)->format('Y-m-d');
        foreach (DemoPeople::journeys() as [$who, $zone, $in, $for]) {
            Journey::query()->create(['person_id' => $this->person($who . self::DOMAIN)->id, 'zone' => $zone, 'from_on' => $day($in), 'until_on' => $day($in + $for)]);
        }
        foreach (DemoPeople::absences() as [$who, $in, $for, $standIn, $note]) {
            Absence::query()->create(['person_id' => $this->person($who . self::DOMAIN)->id, 'from_on' => $day($in), 'until_on' => $day($in + $for - 1), 'stand_in_id' => $standIn === null ? null : $this->person($standIn . self::DOMAIN)->id, 'note' => $note, 'shows_note' => $note !== null]);
        }
        foreach (DemoPeople::teams() as $name => [$within, $who]) {
            $team = Team::query()->create(['name' => $name, 'name_key' => SearchKey::name($name), 'parent_id' => $within === null ? null : Team::query()->where('name', $within)->value('id')]);
            $team->members()->attach(array_map(fn(string $one): string => $this->person($one . self::DOMAIN)->id, $who));
        }
    }

    /** @param array<string, mixed> $settings */
    private function account(string $local, Role $role, array $settings): Account
    {
        static $hash = null;
        $hash ??= Hash::make(DemoPassword::TEXT);
        $person = $this->person($local . self::DOMAIN);

        return Account::query()->create(['person_id' => $person->id, 'email' => $person->email, 'password' => $hash, 'role' => $role, 'demo' => true, 'settings' => $settings])->setRelation('person', $person);
    }

    /** @param Row $row */
    private function meeting(array $row, Account $coordinator): void
    {
        $meeting = $this->startDraft->with($coordinator, [
            'host_id' => $this->person($row['host'] . self::DOMAIN)->id,
            'title' => $row['title'],
            'purpose' => $row['purpose'] ?? null,
            'starts_local' => $this->start($row),
            'zone' => $row['zone'],
            'all_day' => $row['at'] === 'all_day',
            'duration_minutes' => $row['minutes'],
            'rrule' => $row['rule'] ?? null,
            'join_mode' => $row['join'],
            'place' => $row['place'] ?? null,
        ], []);
        foreach ($row['agenda'] ?? [] as $position => [$title, $minutes, $speaker]) {
            $meeting->agenda()->create(['position' => $position, 'title' => $title, 'minutes' => $minutes, 'speaker' => $speaker]);
        }
        $position = 0;
        foreach ([...array_map(static fn(string $l): string => $l . self::DOMAIN, $row['who']), ...($row['guests'] ?? [])] as $email) {
            $meeting->attendees()->create(['person_id' => $this->person($email)->id, 'position' => $position++, 'role' => AttendeeRole::Required]);
        }
        foreach ($row['maybe'] ?? [] as $local) {
            $meeting->attendees()->create(['person_id' => $this->person($local . self::DOMAIN)->id, 'position' => $position++, 'role' => AttendeeRole::Optional]);
        }
        $meeting->refresh();
        $this->bringTo($row['status'], $meeting);
    }

    private function bringTo(string $status, Meeting $meeting): void
    {
        if ($meeting->join_mode->hasKit()) {
            ($this->giveKit)($meeting);
        }
        if ($status === 'kept') {
            ($this->keep)($meeting);
        }
        if ($status === 'sent' || $status === 'called_off') {
            $meeting = ($this->send)($meeting, $meeting->version);
        }
        if ($status === 'called_off') {
            // As if the invitations had left some time ago, so that the calling off leaves too.
            Dispatch::query()->where('meeting_id', $meeting->id)->update(['state' => 'sent', 'attempted_at' => now(), 'sent_at' => now(), 'outcome' => '250 kept before the demo began']);
            ($this->callOff)($meeting);
        }
    }

    /** @param Row $row */
    private function start(array $row): string
    {
        $zone = $this->zones->zone($row['zone']);
        $now = $zone->toWall(now()->getTimestamp());
        if (str_starts_with($row['at'], 'now')) {
            $start = WallTime::ofSeconds(intdiv($now + (int) substr($row['at'], 3) * 60, 900) * 900);
        } else {
            $clock = $row['at'] === 'all_day' ? [0, 0] : array_map(intval(...), explode(':', $row['at']));
            $start = WallTime::ofSeconds((intdiv($now, 86400) + $row['day']) * 86400 + $clock[0] * 3600 + $clock[1] * 60);
        }
        if (isset($row['rule'])) {
            $rule = RuleParser::parse($row['rule']);
            $start = ($row['at'] === 'all_day' ? Series::allDay($start, $rule) : Series::timed($start, $zone, $rule))->startedOnRule(Work::atMost(100000))->start;
        }

        return str_replace('T', ' ', $start->format());
    }

    private function person(string $email): Person
    {
        return Person::query()->where('email', $email)->firstOrFail();
    }
}

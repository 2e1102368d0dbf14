<?php

declare(strict_types=1);

use App\Import\ImportPeople;
use App\Import\PeopleImport;
use App\Import\PeopleTable;
use App\People\Calendar;
use App\People\Person;
use App\People\PersonKind;
use App\People\ReadFeed;
use App\People\Role;
use App\People\Team;
use Illuminate\Support\Facades\Queue;
use Sabre\VObject\Splitter\VCard;

use function Tests\Feature\account;
use function Tests\Feature\colleague;
use function Tests\Feature\guest;

beforeEach(function (): void {
    config(['queue.default' => 'sync']);
    Queue::fake([ReadFeed::class]);
    $this->account = account(Role::Coordinator, colleague('Wanjiru Achola'));
    $this->actingAs($this->account);
    $this->bring = fn(string $octets, string $name = 'people.csv') => $this->call('POST', "/api/people-imports?name=$name", server: ['CONTENT_TYPE' => 'application/octet-stream', 'HTTP_ACCEPT' => 'application/json'], content: $octets);
    $this->take = function (string $octets, array $mapping = [], ?bool $hasHeading = null): array {
        $made = ($this->bring)($octets)->assertCreated()->json();
        if ($mapping !== [] || $hasHeading !== null) {
            $this->putJson("/api/people-imports/{$made['id']}", ['mapping' => $mapping === [] ? $made['mapping'] : $mapping, 'hasHeading' => $hasHeading ?? $made['hasHeading']])->assertOk();
        }
        $this->postJson("/api/people-imports/{$made['id']}/start")->assertOk();

        return $this->getJson("/api/people-imports/{$made['id']}")->assertOk()->json();
    };
});

/** The same two people in eight dialects. */
$rows = [['Name', 'E-Mail', 'Zeitzone', 'Team'], ['Inês Varela', 'ines@garden.example', 'Lisbon', 'Growers'], ['Hale, Corin "Cory"', 'corin@garden.example', 'Australia/Perth', "Dryland"]];
$csv = static fn(string $delimiter, string $break, bool $quotesAll = false): string => implode($break, array_map(static fn(array $r): string => implode($delimiter, array_map(static fn(string $c): string => $quotesAll || strpbrk($c, "\"$delimiter,\n") !== false ? '"' . str_replace('"', '""', $c) . '"' : $c, $r)), $rows)) . $break;

it('refuses a row with more cells than there are columns, rather than losing one of them', function (): void {
    $made = ($this->bring)("Name;Email;Teams\nAda;ada@garden.example;Growers;Leads\nBo;bo@garden.example;\"Growers; Leads\"\nCy;cy@garden.example;Growers;;\n")->assertCreated()->json();

    expect($made['look']['counts'])->toBe(['new' => 2, 'changed' => 0, 'same' => 0, 'refused' => 1])
        ->and($made['look']['refused'][0])->toMatchArray(['line' => 2, 'who' => 'Ada', 'why' => 'This row has 4 cells, but the first one names 3 columns. Put a cell that holds the separator in quotes.']);
    $this->postJson("/api/people-imports/{$made['id']}/start")->assertOk();
    expect(Team::query()->orderBy('name')->pluck('name')->all())->toBe(['Growers', 'Leads']);
});

it('reads a file in whichever dialect it was written', function (string $octets, string $delimiter, string $letters): void {
    $made = ($this->bring)($octets)->assertCreated()->json();
    expect([$made['delimiter'], $made['letters'], $made['hasHeading']])->toBe([$delimiter, $letters, true])
        ->and($made['mapping'])->toBe(['name' => 0, 'email' => 1, 'zone' => 2, 'teams' => 3])
        ->and($made['look']['counts'])->toBe(['new' => 2, 'changed' => 0, 'same' => 0, 'refused' => 0])
        ->and($made['columns'][0]['samples'])->toBe(['Inês Varela', 'Hale, Corin "Cory"']);
    $this->postJson("/api/people-imports/{$made['id']}/start")->assertOk();
    expect(Person::query()->where('email', 'corin@garden.example')->first()?->only(['name', 'zone']))->toBe(['name' => 'Hale, Corin "Cory"', 'zone' => 'Australia/Perth'])
        ->and(Person::query()->where('email', 'ines@garden.example')->value('zone'))->toBe('Europe/Lisbon');
})->with([
    'commas, CRLF (RFC 4180)' => [$csv(',', "\r\n"), ',', 'UTF-8'],
    'semicolons, LF' => [$csv(';', "\n"), ';', 'UTF-8'],
    'tabs' => [$csv("\t", "\n"), "\t", 'UTF-8'],
    'bars, all quoted' => [$csv('|', "\r\n", true), '|', 'UTF-8'],
    'with a byte order mark' => ["\xEF\xBB\xBF" . $csv(',', "\r\n"), ',', 'UTF-8'],
    'Latin-1' => [mb_convert_encoding($csv(';', "\r\n"), 'ISO-8859-1', 'UTF-8'), ';', 'Windows-1252'],
    'UTF-16, as one program saves text' => ["\xFF\xFE" . mb_convert_encoding($csv("\t", "\r\n"), 'UTF-16LE', 'UTF-8'), "\t", 'UTF-16LE'],
    'CR alone' => [$csv(',', "\r"), ',', 'UTF-8'],
]);

it('takes what can be taken, says of the rest which line and why, and nothing is half done', function (): void {
    colleague('Known Already', 'Africa/Nairobi', ['email' => 'known@garden.example']);
    colleague('Same Same', 'Europe/Lisbon', ['email' => 'same@garden.example']);
    guest('guest@far.example');
    $report = ($this->take)(<<<'CSV'
        Name,Email,Zone,Language,Country,Region,Phone,Job,Hours,Teams,Stand-in
        New One,new@garden.example,Nairobi,English,Kenya,,020 255 5142,Systems,"mon-thu 08:00-12:00, 13:00-16:00; fri 8-12",Growers > Dryland; Coordination,known@garden.example
        "Two
        lines",two@garden.example,Perth,de,AU,Western Australia,,,,,
        Known Again,KNOWN@garden.example,,,,,,,,,
        Same Same,same@garden.example,Europe/Lisbon,,,,,,,,
        Now Colleague,guest@far.example,,,,,,,,,
        No Address,,,,,,,,,,
        Bad Address,nobody@,,,,,,,,,
        Twice,new@garden.example,,,,,,,,,
        Bad Zone,badzone@garden.example,Atlantis,,,,,,,,
        Bad Hours,badhours@garden.example,,,,,,,nine to five,,
        Bad Phone,badphone@garden.example,,,,,ring me,,,,
        Bad Country,badcountry@garden.example,,,Narnia,,,,,,
        =HYPERLINK("x"),formula@garden.example,,,,,,,,,

        CSV);
    expect($report['state'])->toBe('done')
        ->and($report['counts'])->toBe(['new' => 3, 'changed' => 2, 'same' => 1, 'refused' => 7])
        ->and(array_map(static fn(array $r): array => [$r['line'], $r['who']], $report['refused']))->toBe([[8, 'No Address'], [9, 'Bad Address'], [10, 'Twice'], [11, 'Bad Zone'], [12, 'Bad Hours'], [13, 'Bad Phone'], [14, 'Bad Country']])
        ->and($report['refused'][2]['why'])->toBe('The same address stands on line 2 already.')
        ->and($report['refused'][3]['why'])->toContain('Atlantis')
        ->and(array_column($report['changed'], 'what', 'who'))->toBe(['Known Again' => ['name'], 'Now Colleague' => ['name', 'kind']]);
    $new = Person::query()->with(['teams', 'standIn'])->where('email', 'new@garden.example')->firstOrFail();
    expect($new->only(['name', 'zone', 'language', 'country', 'phone', 'job']))->toBe(['name' => 'New One', 'zone' => 'Africa/Nairobi', 'language' => 'en', 'country' => 'KE', 'phone' => '+254202555142', 'job' => 'Systems'])
        ->and($new->workingHours(Syndex\Core\Time\WorkingHours::usual())->toArray()['fri'])->toBe([['08:00', '12:00']])
        ->and($new->teams->pluck('name')->sort()->values()->all())->toBe(['Coordination', 'Dryland'])
        ->and($new->standIn?->email)->toBe('known@garden.example')
        ->and(Team::query()->where('name', 'Dryland')->first()?->parent_id)->toBe(Team::query()->where('name', 'Growers')->value('id'))
        ->and(Person::query()->where('email', 'two@garden.example')->value('region'))->toBe('WA')
        ->and(Person::query()->where('email', 'guest@far.example')->value('kind'))->toBe(PersonKind::Colleague)
        ->and(Person::query()->where('email', 'formula@garden.example')->value('name'))->toBe('=HYPERLINK("x")');
    $refused = $this->get("/api/people-imports/{$report['id']}/refused.csv")->assertOk()->streamedContent();
    expect($refused)->toContain("\"9\",\"Bad Address\",")
        // The file itself is not kept.
        ->and(PeopleImport::query()->value('content'))->toBeNull();
});

it('writes nothing where it breaks off in the middle', function (): void {
    $made = ($this->bring)("email,name\na@garden.example,A\nb@garden.example,B\nc@garden.example,C\n")->json();
    PeopleImport::query()->update(['state' => 'running']);
    $count = Person::query()->count();
    $broken = new class () extends stdClass {
        public int $times = 0;
    };
    Person::creating(static function () use ($broken): void {
        if (++$broken->times === 3) {
            throw new RuntimeException('the lights go out');
        }
    });
    try {
        app()->call([new ImportPeople($made['id']), 'handle']);
    } catch (RuntimeException) {
    } finally {
        Person::flushEventListeners();
    }
    expect($broken->times)->toBe(3)->and(Person::query()->count())->toBe($count)->and(PeopleImport::query()->value('state'))->toBe('running');
    // The queue tries again.
    app()->call([new ImportPeople($made['id']), 'handle']);
    app()->call([new ImportPeople($made['id']), 'handle']);
    expect(Person::query()->count())->toBe($count + 3)->and(PeopleImport::query()->value('report')['counts']['new'])->toBe(3);
});

it('is mapped by hand where the headings say nothing', function (): void {
    $octets = "Zed;z@garden.example;Kathmandu\nYan;y@garden.example;Lima\n";
    $made = ($this->bring)($octets)->json();
    expect($made['hasHeading'])->toBeFalse()->and($made['mapping'])->toBe([])->and($made['look']['counts']['refused'])->toBe(2);
    $this->postJson("/api/people-imports/{$made['id']}/start")->assertStatus(422)->assertJsonValidationErrors('mapping');
    expect(($this->take)($octets, ['name' => 0, 'email' => 1, 'zone' => 2])['counts']['new'])->toBe(2)
        ->and(($this->take)($octets, ['name' => 0, 'email' => 1, 'zone' => 2])['counts'])->toBe(['new' => 0, 'changed' => 0, 'same' => 2, 'refused' => 0]);
    $this->putJson("/api/people-imports/{$made['id']}", ['mapping' => ['name' => 0, 'email' => 0], 'hasHeading' => false])->assertStatus(422);
    $this->putJson("/api/people-imports/{$made['id']}", ['mapping' => ['email' => 99], 'hasHeading' => false])->assertStatus(422);
    $this->putJson("/api/people-imports/{$made['id']}", ['mapping' => ['password' => 1], 'hasHeading' => false])->assertStatus(422);
});

it('is seen by whoever brought it, and started once', function (): void {
    $id = ($this->bring)("email\nq@garden.example\n")->json('id');
    $this->actingAs(account(Role::Administrator));
    $this->getJson("/api/people-imports/$id")->assertNotFound();
    $this->postJson("/api/people-imports/$id/start")->assertNotFound();
    $this->actingAs($this->account)->postJson("/api/people-imports/$id/start")->assertOk();
    $this->postJson("/api/people-imports/$id/start")->assertStatus(409);
    $this->deleteJson("/api/people-imports/$id")->assertNoContent();
});

it('refuses what is no list of people', function (string $octets): void {
    ($this->bring)($octets)->assertStatus(422)->assertJsonValidationErrors('file');
})->with([['']  , ["\n\n , ,\n"], [str_repeat('x,', 200) . "\n"], [str_repeat("a@x.example\n", 50_002)]]);

it('takes calendars along, as secrets', function (): void {
    $report = ($this->take)("email,calendar\na@garden.example,webcal://calendar.garden.example/a.ics?key=hush\nb@garden.example,not an address\n");
    expect($report['counts'])->toMatchArray(['new' => 1, 'refused' => 1])
        ->and(Calendar::query()->first()?->url)->toBe('https://calendar.garden.example/a.ics?key=hush')
        ->and(json_encode($report))->not->toContain('hush');
    expect(($this->take)("email,calendar\na@garden.example,webcal://calendar.garden.example/a.ics?key=hush\n")['counts']['same'])->toBe(1);
});

it('gives the directory back as CSV that Python reads, and takes it again unchanged', function (): void {
    colleague('=cmd|calc', 'Europe/Lisbon', ['email' => 'cmd@garden.example', 'job' => "a \"quote\", and; more", 'phone' => '+351215550142', 'country' => 'PT', 'hours' => ['mon' => [['09:00', '12:30'], ['14:00', '18:00']]]]);
    $team = Team::query()->create(['name' => 'Growers', 'name_key' => 'growers']);
    $team->members()->attach(Person::query()->where('email', 'cmd@garden.example')->value('id'));
    $csv = $this->get('/api/people/export.csv')->assertOk()->streamedContent();
    $file = tempnam(sys_get_temp_dir(), 'people');
    file_put_contents((string) $file, $csv);
    exec('python3 -c ' . escapeshellarg('import csv,json,sys; print(json.dumps(list(csv.DictReader(open(sys.argv[1], encoding="utf-8-sig", newline="")))))') . ' ' . escapeshellarg((string) $file), $said, $status);
    unlink((string) $file);
    $read = json_decode(implode('', $said), true);
    $row = collect($read)->firstWhere('Email', 'cmd@garden.example');

    expect($status)->toBe(0)->and(count($read))->toBe(2)
        ->and($row['Name'])->toBe("'=cmd|calc")
        ->and($row['Phone'])->toBe("'+351215550142")
        ->and($row['Job'])->toBe('a "quote", and; more')
        ->and($row['Working hours'])->toBe('mon 09:00-12:30, 14:00-18:00')
        ->and($row['Teams'])->toBe('Growers');
    expect(($this->take)($csv)['counts'])->toBe(['new' => 0, 'changed' => 0, 'same' => 2, 'refused' => 0]);
});

it('gives it as cards that another program reads, and takes them again unchanged', function (string $version): void {
    colleague('Inês Varela', 'Europe/Lisbon', ['email' => 'ines@garden.example', 'language' => 'pt', 'country' => 'PT', 'phone' => '+351215550142', 'job' => 'Seed bank; "cold"']);
    $cards = $this->get("/api/people/export.vcf?version=$version")->assertOk()->streamedContent();
    $splitter = new VCard(fopen('data://text/plain;base64,' . base64_encode($cards), 'r'));
    $names = [];
    while ($card = $splitter->getNext()) {
        $names[(string) $card->EMAIL] = (string) $card->FN;
    }
    expect($names)->toBe(['wanjiru.achola@garden.example' => 'Wanjiru Achola', 'ines@garden.example' => 'Inês Varela']);
    $made = ($this->bring)($cards, 'people.vcf')->assertCreated()->json();
    expect([$made['kind'], $made['look']['counts']])->toBe(['vcard', ['new' => 0, 'changed' => 0, 'same' => 2, 'refused' => 0]]);
})->with(['3.0', '4.0']);

it('takes a large house in one go', function (): void {
    $csv = "name,email,zone,teams\n";
    for ($i = 0; $i < 1200; $i++) {
        $csv .= "Person $i,person.$i@garden.example," . ['Nairobi', 'Lisbon', 'Perth'][$i % 3] . ',Team ' . intdiv($i, 100) . "\n";
    }
    expect(PeopleTable::of($csv)->columns())->toBe(4);
    $report = ($this->take)($csv);
    expect($report['counts']['new'])->toBe(1200)->and([$report['done'], $report['total']])->toBe([1200, 1200])->and(Team::query()->count())->toBe(12);
});

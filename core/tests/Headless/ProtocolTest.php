<?php

declare(strict_types=1);

use Syndex\Core\Headless\Protocol;
use Syndex\Core\Tests;

/** @return array<string, mixed> */
function answered(string $verb, string $line): array
{
    return json_decode((string) Protocol::forVerb($verb, Tests\zones())?->answer($line), true);
}

const WEEKLY = '"dtstart":"2026-12-08T15:30:00","tzid":"Africa/Nairobi","rrule":"FREQ=WEEKLY;COUNT=2"';

describe('Protocol::answer', function (): void {
    it('gives an id back as it came', function (string $id, string $back): void {
        expect((string) Protocol::forVerb('expand', Tests\zones())?->answer('{' . WEEKLY . ',"id":' . $id . '}'))->toStartWith('{"id":' . $back . ',');
    })->with(['text' => ['"a/ü"', '"a/ü"'], 'number' => ['7', '7'], 'fraction' => ['1.0', '1.0'], 'exponent' => ['1e3', '1e3'], 'huge' => ['12345678901234567890123', '12345678901234567890123'], 'null' => ['null', 'null'], 'another kind' => ['[1]', 'null'], 'true' => ['true', 'null']]);

    it('passes over a line of blanks', function (string $line): void {
        expect(Protocol::forVerb('about', Tests\zones())?->answer($line))->toBeNull();
    })->with(['', "  \t", "\r\n"]);

    it('names what is wrong by its code', function (string $line, string $code): void {
        expect(answered('expand', $line)['error']['code'])->toBe($code);
    })->with([
        'no JSON' => ['{', 'not_json'],
        'no object' => ['[1,2]', 'not_json'],
        'an unknown key' => ['{' . WEEKLY . ',"until":"x"}', 'unknown_key'],
        'no start' => ['{"tzid":null}', 'bad_value'],
        'no zone named' => ['{"dtstart":"2026-12-08T15:30:00"}', 'bad_value'],
        'a start that cannot be' => ['{"dtstart":"2026-02-30T15:30:00","tzid":null}', 'bad_value'],
        'a start of another kind' => ['{"dtstart":5,"tzid":null}', 'bad_value'],
        'an unknown zone' => ['{"dtstart":"2026-12-08T15:30:00","tzid":"Mars/Base"}', 'unknown_zone'],
        'a bad rule' => ['{"dtstart":"2026-12-08T15:30:00","tzid":null,"rrule":"FREQ=NEVER"}', 'bad_rule'],
        'a date among times' => ['{"dtstart":"2026-12-08T15:30:00","tzid":null,"exdate":["2026-12-08"]}', 'bad_value'],
        'a limit of nothing' => ['{' . WEEKLY . ',"limit":0}', 'bad_value'],
        'a limit that is no number' => ['{' . WEEKLY . ',"limit":"5"}', 'bad_value'],
        'a window without offset' => ['{' . WEEKLY . ',"from":"2026-12-08T15:30:00"}', 'bad_value'],
        'too much work' => ['{"dtstart":"0001-01-01T00:00:00","tzid":null,"rrule":"FREQ=DAILY;BYHOUR=9,10;COUNT=99999999","from":"9998-01-01T00:00:00Z"}', 'too_much_work'],
    ]);

    it('takes the greatest numbers that the standard has, and answers at once', function (string $rule, ?string $code, array $dates): void {
        $answer = answered('expand', '{"dtstart":"2026-12-08T15:30:00","tzid":"UTC","rrule":"' . $rule . '","limit":2}');

        expect([$answer['error']['code'] ?? null, $answer['instances'] ?? []])->toBe([$code, $dates]);
    })->with([
        'COUNT' => ['FREQ=DAILY;COUNT=2147483647', null, ['2026-12-08T15:30:00+00:00', '2026-12-09T15:30:00+00:00']],
        'one more' => ['FREQ=DAILY;COUNT=2147483648', 'bad_rule', []],
        'INTERVAL of seconds' => ['FREQ=SECONDLY;INTERVAL=2147483647', null, ['2026-12-08T15:30:00+00:00', '2094-12-26T18:44:07+00:00']],
        ...array_map(static fn(string $f): array => ["FREQ=$f;INTERVAL=2147483647", null, ['2026-12-08T15:30:00+00:00']], ['DAILY', 'WEEKLY', 'MONTHLY', 'YEARLY']),
        'INTERVAL, one more' => ['FREQ=YEARLY;INTERVAL=2147483648', 'bad_rule', []],
        'more digits than any number has' => ['FREQ=YEARLY;INTERVAL=99999999999999999999999', 'bad_rule', []],
    ]);

    it('names a sentence\'s end in UTC (RFC 5545 3.3.10)', function (): void {
        $answer = answered('sentence', '{"text":"every tuesday 15:30, 45 minutes, nairobi, until 22 december 2026","today":"2026-11-25","tzid":"Africa/Nairobi"}');

        expect($answer['rrule'] ?? $answer)->toContain('UNTIL=20261222T205959Z');
    });

    it('answers the dates with the offset of the zone', function (): void {
        expect(answered('expand', '{' . WEEKLY . '}'))->toBe(['id' => null, 'instances' => ['2026-12-08T15:30:00+03:00', '2026-12-15T15:30:00+03:00'], 'complete' => true]);
    });

    it('tells what it is', function (): void {
        expect(answered('about', '{"id":1}'))->toMatchArray(['id' => 1, 'version' => Protocol::VERSION, 'zone_data' => 'test'])->toHaveKey('bounds');
    });

    it('knows no other verbs', function (): void {
        expect(Protocol::forVerb('guess', Tests\zones()))->toBeNull();
    });
});

it('answers too_much_work before memory or time run out, whatever part of a line is long', function (string $verb, Closure $line): void {
    expect(answered($verb, $line())['error']['code'] ?? null)->toBe('too_much_work');
})->with([
    'every second of a year' => ['expand', static fn(): string => '{"dtstart":"2026-01-01T00:00:00","tzid":"UTC","rrule":"FREQ=YEARLY;BYDAY=MO,TU,WE,TH,FR,SA,SU;BYHOUR=' . implode(',', range(0, 23)) . ';BYMINUTE=' . implode(',', range(0, 59)) . ';BYSECOND=' . implode(',', range(0, 59)) . '"}'],
    'exdate' => ['expand', static fn(): string => '{"dtstart":"2026-01-01T00:00:00","tzid":"UTC","rrule":"FREQ=DAILY","exdate":[' . implode(',', array_fill(0, 500_000, '"2026-01-05T00:00:00"')) . ']}'],
    'rdate' => ['expand', static fn(): string => '{"dtstart":"2026-01-01T00:00:00","tzid":"UTC","rdate":[' . implode(',', array_fill(0, 500_000, '"2026-01-05T00:00:00"')) . ']}'],
    'people' => ['shifts', static fn(): string => '{"dtstart":"2026-01-01T09:00:00","tzid":"UTC","rrule":"FREQ=DAILY","limit":10000,"duration":30,"people":[' . implode(',', array_map(static fn(int $i): string => '{"id":"' . $i . '","tzid":"Europe/Lisbon","hours":{"mon":[["09:00","17:00"]]}}', range(1, 3000))) . ']}'],
    'events to read' => ['read', static fn(): string => '{"ics":"BEGIN:VCALENDAR\r\n' . str_repeat('BEGIN:VEVENT\r\nUID:1\r\nDTSTART:20260101T000000Z\r\nEND:VEVENT\r\n', 200_000) . 'END:VCALENDAR\r\n"}'],
    'people to read' => ['read', static fn(): string => '{"ics":"BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART:20260101T000000Z\r\n' . str_repeat('ATTENDEE:mailto:a@x.example\r\n', 400_000) . 'END:VEVENT\r\nEND:VCALENDAR\r\n"}'],
    'parts within parts' => ['read', static fn(): string => '{"ics":"BEGIN:VCALENDAR\r\n' . str_repeat('BEGIN:X\r\n', 600_000) . '"}'],
    'events to write' => ['write', static fn(): string => '{"method":null,"now":"2026-01-01T00:00:00Z","events":[' . implode(',', array_map(static fn(int $i): string => '{"uid":"' . $i . '","start":"2026-01-01T00:00:00Z","tzid":"UTC"}', range(1, 150_000))) . ']}'],
]);

describe('bin/syndex core', function (): void {
    it('answers line by line while its input is still open, and starts at once', function (): void {
        $process = proc_open([dirname(__DIR__, 3) . '/bin/syndex', 'core', 'about'], [['pipe', 'r'], ['pipe', 'w']], $pipes);
        assert(is_resource($process));
        fwrite($pipes[0], "{\"id\":1}\r\n\n{\"id\":2}\n");
        fflush($pipes[0]);
        $first = json_decode((string) fgets($pipes[1]), true);
        $second = json_decode((string) fgets($pipes[1]), true);
        fwrite($pipes[0], '{"id":3}');
        fclose($pipes[0]);
        $third = json_decode((string) stream_get_contents($pipes[1]), true);

        expect([$first['id'], $second['id'], $third['id']])->toBe([1, 2, 3])
            ->and($first['zone_data'])->toMatch('/^\d{4}[a-z]+$/')
            ->and(proc_close($process))->toBe(0);
    });

    it('refuses an unknown verb with status 2', function (): void {
        $process = proc_open([dirname(__DIR__, 3) . '/bin/syndex', 'core', 'guess'], [['file', '/dev/null', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes);
        assert(is_resource($process));
        $said = stream_get_contents($pipes[2]);

        expect(substr_count((string) $said, "\n"))->toBe(1)->and(proc_close($process))->toBe(2);
    });
});

<?php

declare(strict_types=1);

use Tests\Operations\Support\House;

/*
 * The verbs of operators, tried on houses of the test's own; each case goes on from the one before.
 */
const OPERATIONS = '/syndex-operations-';

function folderOfHouses(): string
{
    return sys_get_temp_dir() . OPERATIONS . getmypid();
}

function house(string $name = 'first'): House
{
    return new House(folderOfHouses() . "/$name");
}

/** A free port that somebody listens at, until it is closed. */
function taken(): mixed
{
    return stream_socket_server('tcp://127.0.0.1:0');
}

beforeAll(fn() => mkdir(folderOfHouses(), 0o700));

afterAll(function (): void {
    foreach (glob(folderOfHouses() . '/*', GLOB_ONLYDIR) ?: [] as $folder) {
        (new House($folder))->verb('stop');
    }
    exec('rm -rf ' . escapeshellarg(folderOfHouses()));
});

it('starts empty on a port that is free, and says so when asked again', function (): void {
    $other = taken();
    $port = (int) substr((string) strrchr((string) stream_socket_get_name($other, false), ':'), 1);
    [$code, $said] = house()->verb('start', '--empty', '--port', (string) $port);

    expect($code)->toBe(0, $said)->and($said)->toContain("Port $port is taken")->toContain('It is empty');
    expect(house()->ask('GET', '/api/session'))->toMatchArray([0 => 200]);
    [$status, $body] = house()->ask('POST', '/api/accounts/first', ['name' => 'Wanjiru Achola', 'email' => 'wanjiru@seed.example', 'password' => 'three green seedlings', 'zone' => 'Africa/Nairobi']);
    expect($status)->toBe(201, $body);

    $before = house()->processes('supervisor');
    [$code, $said] = house()->verb('start');
    expect($code)->toBe(0)->and($said)->toContain('runs already')->and(house()->processes('supervisor'))->toBe($before);
});

it('refuses at the door what is too large, and goes on', function (string $method, string $path, int $octets, int $status): void {
    house()->ask('GET', '/api/session', null, 'wanjiru');
    house()->ask('POST', '/api/session', ['email' => 'wanjiru@seed.example', 'password' => 'three green seedlings'], 'wanjiru');
    [$got, $body] = house()->ask($method, $path, '{"title":"' . str_repeat('x', $octets) . '"}', 'wanjiru');

    expect($got)->toBe($status)->and(json_decode($body, true))->toHaveKeys(['code', 'message']);
    expect(house()->ask('GET', '/api/session')[0])->toBe(200);
})->with([
    'a sheet' => ['POST', '/api/meetings', 2_100_000, 413],
    'a sign-in' => ['POST', '/api/session', 70_000, 413],
    'a calendar file' => ['POST', '/api/calendar-files', 66_000_000, 413],
]);

it('writes a backup, never over another file, and refuses a broken one', function (): void {
    $folder = folderOfHouses();
    [$code, $said] = house()->verb('backup', "$folder/kept.tar.gz");
    expect($code)->toBe(0, $said)->and($said)->toContain('1 account')->and(fileperms("$folder/kept.tar.gz") & 0o777)->toBe(0o600);
    expect(house()->verb('backup', "$folder/kept.tar.gz"))->toMatchArray([0 => 1])->and(house()->verb('backup', "$folder/nowhere/kept.tar.gz"))->toMatchArray([0 => 1]);
    expect(glob(house()->folder . '/backup.*'))->toBe([]);

    $whole = (string) file_get_contents("$folder/kept.tar.gz");
    exec('cd ' . escapeshellarg($folder) . ' && mkdir open && tar -C open -xzf kept.tar.gz && sed -i s/Wanjiru/Wanjira/ open/house/db.sql && tar -C open -czf changed.tar.gz house && rm -rf open');
    file_put_contents("$folder/short.tar.gz", substr($whole, 0, (int) (strlen($whole) * 0.6)));
    file_put_contents("$folder/no.tar.gz", 'no archive');
    foreach (['short', 'changed', 'no', 'missing'] as $name) {
        [$code, $said] = house('broken')->verb('restore', "$folder/$name.tar.gz");
        expect($code)->toBe(1)->and($said)->toContain("$name.tar.gz");
    }
    expect(glob(house('broken')->folder . '/*') ?: [])->toBe([]);
    expect(house()->verb('restore', "$folder/kept.tar.gz")[1])->toContain('left alone');
});

it('makes the same house of a backup, keys and all', function (): void {
    $kept = house()->sums();
    [$code, $said] = house('second')->verb('restore', folderOfHouses() . '/kept.tar.gz');

    expect($code)->toBe(0, $said);
    expect(house('second')->sums())->toBe($kept);
    house('second')->ask('GET', '/api/session', null, 'wanjiru');
    expect(house('second')->ask('POST', '/api/session', ['email' => 'wanjiru@seed.example', 'password' => 'three green seedlings'], 'wanjiru')[0])->toBe(200);
    expect(house('second')->verb('stop')[0])->toBe(0)->and(house('second')->processes())->toBe([]);
});

it('has stand-ins that nothing odd ends', function (string $setting, string $first): void {
    $url = (string) house()->setting($setting);
    [$host, $port] = [(string) parse_url($url, PHP_URL_HOST), (int) parse_url($url, PHP_URL_PORT)];
    foreach ([$first, "GET // HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n", "GET /%zz HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n", "PUT /faults HTTP/1.1\r\nHost: x\r\nContent-Length: 50\r\n\r\n{\"refu", "PUT /faults HTTP/1.1\r\nHost: x\r\nContent-Length: 4\r\nConnection: close\r\n\r\nnull", "\0\1\2\r\n\r\n"] as $bytes) {
        $line = stream_socket_client("tcp://$host:$port", timeout: 5);
        expect($line)->not->toBeFalse();
        fwrite($line, $bytes);
        usleep(50_000);
        fclose($line);
    }
    usleep(200_000);
    $curl = curl_init($url . '/');
    curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 5]);
    curl_exec($curl);
    expect(curl_getinfo($curl, CURLINFO_RESPONSE_CODE))->toBeGreaterThan(0);
    expect((string) file_get_contents(house()->folder . '/log/supervisord.log'))->not->toMatch('/exited: (?:bridge|postroom)/');
})->with(['the bridge' => ['BRIDGE_URL', "PUT /rooms/x HTTP/1.1\r\n"], 'the post room' => ['POSTROOM_PAGE', "GET /mails HTTP/1.1\r\n"]]);

it('comes back after everything was killed, with half-written files, and leaves nothing running', function (): void {
    $kept = house()->sums();
    foreach (['supervisor', 'web', 'php', 'database', 'standin', 'worker'] as $program) {
        house()->kill($program);
    }
    file_put_contents(house()->folder . '/bridge/rooms.json', '{"half":');
    file_put_contents(house()->folder . '/postroom/7.json', '');
    // The number of the dead supervisor belongs to somebody else by now.
    $stranger = proc_open(['sleep', '300'], [], $pipes);
    $pid = proc_get_status($stranger)['pid'];
    file_put_contents(house()->folder . '/run/supervisord.pid', (string) $pid);
    try {
        [$code, $said] = house()->verb('start');
        expect($code)->toBe(0, $said)->and(house()->sums())->toBe($kept);
        expect(house()->ask('GET', '/api/session')[0])->toBe(200);
        expect(house()->verb('stop')[0])->toBe(0)->and(house()->processes())->toBe([]);
        expect(house()->verb('stop')[1])->toContain('does not run');
        expect(proc_get_status($stranger)['running'])->toBeTrue();
    } finally {
        proc_terminate($stranger);
        proc_close($stranger);
    }
});

it('keeps what an operator wrote into the settings', function (): void {
    $file = house()->folder . '/app.env';
    file_put_contents($file, preg_replace('/^TRUSTED_PROXIES=.*\n/m', '', (string) file_get_contents($file)) . "TRUSTED_PROXIES=192.0.2.1,192.0.2.2\nSYNDEX_HOLD_SECONDS=11\n");
    [$code, $said] = house()->verb('start');

    expect($code)->toBe(0, $said);
    expect(house()->setting('TRUSTED_PROXIES'))->toBe('192.0.2.1,192.0.2.2')->and((string) file_get_contents(house()->folder . '/run/nginx.conf'))->toContain('set_real_ip_from 192.0.2.1;')->toContain('set_real_ip_from 192.0.2.2;');
});

it('names in one line a folder that cannot be written', function (): void {
    file_put_contents(folderOfHouses() . '/file', '');
    [$code, $said] = house('file')->verb('start');

    expect($code)->toBe(1)->and($said)->toContain('cannot be written')->and(substr_count($said, "\n"))->toBe(0);
});

it('loses nothing in a short drill, and says so', function (): void {
    [$code, $said] = house('drill')->verb('drill', '--recipients', '20', '--kills', '2', '--seed', '11');

    expect($code)->toBe(0, $said)->and($said)->toMatch('/^\| 20 \| 20 \| 0 \| \d+ \| 0 \|/m')->toContain('Nothing lost, nothing stuck');
    expect(house('drill')->verb('drill', '--recipients', '5000')[0])->toBe(1);
});

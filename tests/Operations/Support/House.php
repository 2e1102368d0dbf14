<?php

declare(strict_types=1);

namespace Tests\Operations\Support;

use PDO;

/** A house of the test's own, made by the verbs that everybody uses. */
final readonly class House
{
    public function __construct(public string $folder) {}

    /** @return array{0: int, 1: string} what the verb ended with, and what it said */
    public function verb(string $verb, string ...$arguments): array
    {
        $command = implode(' ', array_map(escapeshellarg(...), [dirname(__DIR__, 3) . '/bin/syndex', $verb, ...$arguments]));
        exec('SYNDEX_VAR=' . escapeshellarg($this->folder) . " SYNDEX_FOR_TESTS=1 SYNDEX_ARGON_MEMORY=1024 SYNDEX_HOLD_SECONDS=0 $command 2>&1 </dev/null", $lines, $code);

        return [$code, implode("\n", $lines)];
    }

    public function setting(string $name): string
    {
        $file = (string) file_get_contents("$this->folder/app.env");

        return preg_match("/^$name=(.*)$/m", $file, $found) === 1 ? trim($found[1]) : '';
    }

    /** @return list<array{pid: int, program: string}> what runs for this house */
    public function processes(?string $program = null): array
    {
        exec('SYNDEX_VAR=' . escapeshellarg($this->folder) . ' bash -c ' . escapeshellarg('source ' . escapeshellarg(dirname(__DIR__, 3) . '/ops/lib.sh') . "; own_processes $program"), $lines);

        return array_map(static function (string $line): array {
            [$pid, , $program] = explode(' ', $line);

            return ['pid' => (int) $pid, 'program' => $program];
        }, $lines);
    }

    public function kill(string $program): void
    {
        foreach ($this->processes($program) as ['pid' => $pid]) {
            posix_kill($pid, SIGKILL);
        }
    }

    /**
     * Asks over HTTP, with the cookies of those before.
     *
     * @param  array<string, string>|string|null  $body
     * @return array{0: int, 1: string} status and body
     */
    public function ask(string $method, string $path, array|string|null $body = null, string $as = 'nobody'): array
    {
        $jar = "$this->folder/$as.cookies";
        $token = preg_match('/\tXSRF-TOKEN\t(\S+)/', is_file($jar) ? (string) file_get_contents($jar) : '', $found) === 1 ? rawurldecode($found[1]) : '';
        $curl = curl_init($this->setting('APP_URL') . $path);
        curl_setopt_array($curl, [
            CURLOPT_CUSTOMREQUEST => $method, CURLOPT_RETURNTRANSFER => true, CURLOPT_COOKIEFILE => $jar, CURLOPT_COOKIEJAR => $jar, CURLOPT_TIMEOUT => 30,
            CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json', "X-XSRF-TOKEN: $token", 'Expect:'],
        ]);
        if ($body !== null) {
            curl_setopt($curl, CURLOPT_POSTFIELDS, is_string($body) ? $body : json_encode($body, JSON_THROW_ON_ERROR));
        }
        $answer = curl_exec($curl);
        $status = curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
        unset($curl);

        return [$status, is_string($answer) ? $answer : ''];
    }

    public function database(): PDO
    {
        return new PDO('mysql:unix_socket=' . $this->setting('DB_SOCKET') . ';dbname=syndex', 'syndex', $this->setting('DB_PASSWORD'));
    }

    /** @return array<string, string> a sum over all rows of each table */
    public function sums(): array
    {
        $pdo = $this->database();
        $sums = [];
        // What rests there from one minute to the next is no data of the house.
        foreach ($pdo->query("select table_name from information_schema.tables where table_schema = 'syndex' and table_name not in ('sessions', 'cache', 'cache_locks', 'outbox_workers', 'zone_clocks', 'jobs') order by 1")->fetchAll(PDO::FETCH_COLUMN) as $table) {
            $sums[$table] = (string) $pdo->query("checksum table `$table`")->fetch(PDO::FETCH_NUM)[1];
        }

        return $sums;
    }
}

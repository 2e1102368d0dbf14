<?php

declare(strict_types=1);

use Syndex\Core\Headless\Protocol;
use Syndex\Core\Tests;

// Sources: core/tests/vectors/SOURCES.md

$vectors = static function (): array {
    $sets = [];
    foreach (glob(__DIR__ . '/../vectors/*.jsonl') ?: [] as $file) {
        foreach (file($file, FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            $vector = json_decode($line, true);
            $sets[basename($file, '.jsonl') . ' ' . $vector['in']['id'] . ': ' . ($vector['title'] ?? $vector['reason'])] = [$vector];
        }
    }

    return $sets;
};

it('gives the published dates', function (array $vector): void {
    $protocol = Protocol::forVerb('expand', Tests\zones());
    $answer = json_decode((string) $protocol?->answer((string) json_encode($vector['in'])), true);

    expect($answer['instances'] ?? $answer)->toBe($vector['instances'])
        ->and($answer['complete'])->toBe($vector['complete']);
})->with($vectors);

it('gives them as a process too, compiled as it runs', function () use ($vectors): void {
    $all = array_column(array_values($vectors()), 0);
    $process = proc_open([dirname(__DIR__, 3) . '/bin/syndex', 'core', 'expand'], [['pipe', 'r'], ['pipe', 'w'], STDERR], $pipes);
    // Often enough that every path is compiled on the way.
    $lines = implode('', array_map(static fn(array $vector): string => json_encode($vector['in']) . "\n", [...$all, ...$all, ...$all]));
    stream_set_blocking($pipes[0], false);
    $answers = '';
    while (!feof($pipes[1])) {
        $lines = substr($lines, (int) fwrite($pipes[0], substr($lines, 0, 8192)));
        if ($lines === '' && is_resource($pipes[0])) {
            fclose($pipes[0]);
            $answers .= stream_get_contents($pipes[1]);
            break;
        }
        $answers .= fgets($pipes[1]);
    }
    proc_close($process);
    $told = array_map(static fn(string $line): array => json_decode($line, true)['instances'], explode("\n", trim($answers)));

    expect($told)->toBe(array_merge(...array_fill(0, 3, array_column($all, 'instances'))));
});

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

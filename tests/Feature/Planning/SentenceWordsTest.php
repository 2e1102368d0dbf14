<?php

declare(strict_types=1);

use App\Planning\SentenceWords;
use Syndex\Core\Sentence\Grammar;
use Syndex\Core\Sentence\NotUnderstood;
use Syndex\Core\Time\WallTime;

it('tells users of every sentence it refuses, and why', function (): void {
    $told = (string) file_get_contents(base_path('docs/sentences.md'));
    foreach (file(base_path('core/tests/Sentence/sentences/english.txt'), FILE_IGNORE_NEW_LINES) ?: [] as $line) {
        if (!str_ends_with($line, ' => ?')) {
            continue;
        }
        $sentence = substr($line, 0, -5);
        try {
            app(Grammar::class)->read($sentence, WallTime::parseDate('2026-11-25'), 'Africa/Nairobi');
            $this->fail($sentence);
        } catch (NotUnderstood $not) {
            expect($told)->toContain("| $sentence | " . SentenceWords::of($not) . ' |');
        }
    }
});

<?php

declare(strict_types=1);

namespace Syndex\Core\Headless;

/** One thing that can be asked of the core, a line at a time. */
interface Verb
{
    /** @return list<string> the keys that its lines may have, beside id */
    public function keys(): array;

    /** @return array<string, mixed> the answer, ready for JSON */
    public function answer(Fields $fields): array;
}

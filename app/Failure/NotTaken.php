<?php

declare(strict_types=1);

namespace App\Failure;

/** Words that were not understood: said why, and what was probably meant. */
final class NotTaken extends Refusal
{
    /** @param ?string $corrected the whole text, put right where a slip of the keys is likely */
    public static function sentence(string $why, ?string $corrected): self
    {
        return new self('not_understood', 422, $why, ['corrected' => $corrected], errors: ['text' => [$why]]);
    }
}

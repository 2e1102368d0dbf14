<?php

declare(strict_types=1);

namespace App\Planning;

use Syndex\Core\Sentence\NotUnderstood;

/** Why a typed sentence was not taken, and what would do. */
final class SentenceWords
{
    public static function of(NotUnderstood $not): string
    {
        return __('planning.not_understood', ['quote' => $not->quote, 'reason' => __("sentence.$not->reason", $not->with)]);
    }
}

<?php

declare(strict_types=1);

namespace App\Import;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Each hour: files of people that were only looked at go after a day, reports after a week. */
final class ForgetImports implements ShouldQueue
{
    use Queueable;

    public function handle(): void
    {
        PeopleImport::query()->where('state', 'looked')->where('updated_at', '<', now()->subDay())->delete();
        PeopleImport::query()->whereIn('state', ['done', 'failed'])->where('updated_at', '<', now()->subWeek())->delete();
    }
}

<?php

declare(strict_types=1);

use App\Operations\RotateLogs;
use App\Planning\DiscardUntouched;
use App\Planning\TopUpOccurrences;
use Illuminate\Support\Facades\Schedule;

Schedule::job(new TopUpOccurrences())->hourlyAt(10);
Schedule::job(new DiscardUntouched())->hourlyAt(40);
Schedule::command(RotateLogs::class)->everyFifteenMinutes();

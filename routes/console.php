<?php

declare(strict_types=1);

use App\Operations\RotateLogs;
use App\Planning\TopUpOccurrences;
use Illuminate\Support\Facades\Schedule;

Schedule::job(new TopUpOccurrences())->hourlyAt(10);
Schedule::command(RotateLogs::class)->everyFifteenMinutes();

<?php

declare(strict_types=1);

use App\Guests\ForgetOldLinks;
use App\Import\ForgetImports;
use App\Invitations\ForgetMessages;
use App\Invitations\ForgetStaleGuests;
use App\Joining\SettleStanding;
use App\Joining\SettleUnsure;
use App\Operations\RotateLogs;
use App\People\ReadDueFeeds;
use App\People\ReadFeed;
use App\Planning\DiscardUntouched;
use App\Planning\TellDates;
use App\Planning\TopUpOccurrences;
use Illuminate\Support\Facades\Schedule;

Schedule::job(new TopUpOccurrences())->hourlyAt(10);
Schedule::job(new DiscardUntouched())->hourlyAt(40);
Schedule::job(new SettleUnsure())->everyMinute();
Schedule::job(new SettleStanding())->everyMinute();
Schedule::job(new TellDates())->dailyAt('03:40');
Schedule::job(new ReadDueFeeds(), ReadFeed::QUEUE)->everyMinute();
Schedule::job(new ForgetImports())->hourlyAt(50);
Schedule::job(new ForgetOldLinks())->dailyAt('03:40');
Schedule::job(new ForgetStaleGuests())->dailyAt('03:20');
Schedule::job(new ForgetMessages())->dailyAt('03:30');
Schedule::command(RotateLogs::class)->everyFifteenMinutes();

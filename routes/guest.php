<?php

declare(strict_types=1);

use App\Guests\GuestPageController;
use App\Guests\RequireGuestLink;
use App\Offers\GuestOfferController;
use Illuminate\Support\Facades\Route;

/*
 * What outside guests reach without an account: no session and no cookie, but a link of their own, which each request shows.
 */

Route::get('g/{token?}', GuestPageController::class);

Route::prefix('api/guest/offer')->middleware(RequireGuestLink::class . ':time_offer')->group(function (): void {
    Route::get('/', [GuestOfferController::class, 'show']);
    Route::put('/', [GuestOfferController::class, 'update']);
    Route::post('busy-file', [GuestOfferController::class, 'file']);
    Route::delete('busy-file', [GuestOfferController::class, 'removeFile']);
});

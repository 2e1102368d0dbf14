<?php

declare(strict_types=1);

use App\Answers\AnswersController;
use App\AppController;
use App\Day\AwayNotedController;
use App\Day\ClashNotedController;
use App\Day\ClockMoveController;
use App\Day\TodayController;
use App\HouseRules\HouseRulesController;
use App\Import\CalendarFileController;
use App\Import\ExportPeople;
use App\Import\MailFileController;
use App\Import\PeopleImportController;
use App\Invitations\BeginNowController;
use App\Invitations\DispatchController;
use App\Invitations\GuestEndController;
use App\Invitations\HistoryController;
use App\Invitations\InvitationController;
use App\Invitations\InviteMoreController;
use App\Invitations\KitAnewController;
use App\Invitations\SendAgainController;
use App\Offers\OfferController;
use App\Overlap\BoardController;
use App\Overlap\BurdenController;
use App\Overlap\PersonWeekController;
use App\Overlap\ShiftReportController;
use App\Overlap\TimesController;
use App\People\AbsenceController;
use App\People\AccountController;
use App\People\CalendarController;
use App\People\GuestController;
use App\People\JourneyController;
use App\People\MayListenController;
use App\People\OwnAddressController;
use App\People\PasswordController;
use App\People\PersonController;
use App\People\PlaceController;
use App\People\SessionController;
use App\People\TeamController;
use App\People\TeamRoomController;
use App\People\ZoneController;
use App\Planning\BlueprintController;
use App\Planning\EarlierPeopleController;
use App\Planning\HandOverController;
use App\Planning\KitController;
use App\Planning\MeetingController;
use App\Planning\MeetingFileController;
use App\Planning\OccurrencesController;
use App\Planning\RoomController;
use App\Planning\SecondPartController;
use App\Planning\SeriesController;
use App\Planning\StandingRoomController;
use App\Planning\TeamOnSheetController;
use App\Planning\TouchedByRules;
use Illuminate\Support\Facades\Route;

/*
 * Every route says who may ask it. tests/Feature/Access/RouteTableTest.php holds the whole table and fails on a route
 * that is missing there.
 */

Route::prefix('api')->group(function (): void {
    // Anybody
    Route::get('session', [SessionController::class, 'show']);
    Route::post('session', [SessionController::class, 'store']);
    Route::post('accounts/first', [AccountController::class, 'first']);
    Route::post('password', [PasswordController::class, 'set']);
    Route::post('password/forgot', [PasswordController::class, 'forgot']);
    Route::post('address', [OwnAddressController::class, 'agree']);
    Route::get('zones', ZoneController::class);

    // Whoever has an account; what they see is what concerns them
    Route::middleware('role:any')->group(function (): void {
        Route::delete('session', [SessionController::class, 'destroy']);
        Route::patch('session', [SessionController::class, 'settings']);
        Route::post('session/address', [OwnAddressController::class, 'ask']);
        Route::get('people/suggest', [PersonController::class, 'suggest']);
        Route::get('places', PlaceController::class);
        Route::get('people/{person}', [PersonController::class, 'show'])->whereUlid('person');
        Route::patch('people/{person}', [PersonController::class, 'update'])->whereUlid('person');
        Route::get('people/{person}/week', PersonWeekController::class);
        Route::get('people/{person}/room', [StandingRoomController::class, 'show']);
        Route::post('people/{person}/room', [StandingRoomController::class, 'store']);
        Route::put('people/{person}/room/address', [StandingRoomController::class, 'address']);
        Route::get('people/{person}/calendar', [CalendarController::class, 'show']);
        Route::put('people/{person}/calendar', [CalendarController::class, 'feed']);
        Route::post('people/{person}/calendar/file', [CalendarController::class, 'file']);
        Route::post('people/{person}/calendar/read', [CalendarController::class, 'read']);
        Route::patch('people/{person}/calendar', [CalendarController::class, 'titles']);
        Route::delete('people/{person}/calendar', [CalendarController::class, 'destroy']);
        Route::post('people/{person}/journeys', [JourneyController::class, 'store']);
        Route::delete('people/{person}/journeys/{journey}', [JourneyController::class, 'destroy']);
        Route::get('people/{person}/absences', [AbsenceController::class, 'index']);
        Route::post('people/{person}/absences', [AbsenceController::class, 'store']);
        Route::delete('people/{person}/absences/{absence}', [AbsenceController::class, 'destroy']);
        Route::get('today', TodayController::class);
        Route::get('meetings', [MeetingController::class, 'index']);
        Route::get('meetings/{meeting}', [MeetingController::class, 'show']);
        Route::get('meetings/{meeting}/dates', OccurrencesController::class);
        Route::get('meetings/{meeting}/files', [MeetingFileController::class, 'index']);
        Route::get('meetings/{meeting}/files/{file}', [MeetingFileController::class, 'show']);
        Route::get('meetings/{meeting}/text', [InvitationController::class, 'text']);
        Route::get('meetings/{meeting}/file.ics', [InvitationController::class, 'file']);
    });

    // Whoever plans, and attendees to whom the meeting is given to change
    Route::middleware(['role:any', 'may:change'])->group(function (): void {
        Route::put('meetings/{meeting}', [MeetingController::class, 'update']);
        Route::post('meetings/{meeting}/change', [MeetingController::class, 'change']);
        Route::delete('meetings/{meeting}', [MeetingController::class, 'destroy']);
        Route::post('board', BoardController::class);
        Route::post('times', TimesController::class);
        Route::post('room', RoomController::class);
        Route::post('series', [SeriesController::class, 'look']);
        Route::post('sentence', [SeriesController::class, 'sentence']);
        Route::get('rules', [SeriesController::class, 'offered']);
        Route::post('meetings/{meeting}/kit', KitController::class);
        Route::get('meetings/{meeting}/read-back', [InvitationController::class, 'readBack']);
        Route::get('meetings/{meeting}/read-back-change', [InvitationController::class, 'readBackChange']);
        Route::get('meetings/{meeting}/letter/{person}', [InvitationController::class, 'letter']);
        Route::get('meetings/{meeting}/letter/{person}/html', [InvitationController::class, 'letterHtml']);
        Route::post('meetings/{meeting}/send', [InvitationController::class, 'send']);
        Route::post('meetings/{meeting}/take-back', [InvitationController::class, 'takeBack']);
        Route::post('meetings/{meeting}/files', [MeetingFileController::class, 'store']);
        Route::delete('meetings/{meeting}/files/{file}', [MeetingFileController::class, 'destroy']);
        Route::get('teams/suggest', [TeamController::class, 'suggest']);
        Route::get('teams/{team}/as-asked', TeamOnSheetController::class);
    });

    // Whoever plans, and attendees who may invite others
    Route::middleware(['role:any', 'may:invite'])->group(function (): void {
        Route::post('meetings/{meeting}/invite', InviteMoreController::class);
        Route::post('guests/check', [GuestController::class, 'check']);
        Route::post('guests', [GuestController::class, 'remember']);
    });

    // Whoever plans
    Route::middleware('role:plans')->group(function (): void {
        Route::post('meetings', [MeetingController::class, 'store']);
        Route::get('blueprints', [BlueprintController::class, 'index']);
        Route::post('blueprints', [BlueprintController::class, 'store']);
        Route::put('blueprints/order', [BlueprintController::class, 'order']);
        Route::patch('blueprints/{blueprint}', [BlueprintController::class, 'update']);
        Route::put('blueprints/{blueprint}/content', [BlueprintController::class, 'takeOver']);
        Route::delete('blueprints/{blueprint}', [BlueprintController::class, 'destroy']);
        Route::get('meetings/{meeting}/kit/anew', [KitAnewController::class, 'show']);
        Route::post('meetings/{meeting}/kit/anew', [KitAnewController::class, 'store']);
        Route::post('meetings/{meeting}/kit/tell', [KitAnewController::class, 'tell']);
        Route::post('meetings/now', [BeginNowController::class, 'store']);
        Route::post('meetings/{meeting}/call-in', [BeginNowController::class, 'callIn']);
        Route::post('meetings/discard', [MeetingController::class, 'discard']);
        Route::get('burden', BurdenController::class);
        Route::post('calendar-files/look', [CalendarFileController::class, 'look']);
        Route::post('mail-files', MailFileController::class);
        Route::post('calendar-files', [CalendarFileController::class, 'open']);
        Route::get('meetings/{meeting}/offer', [OfferController::class, 'show']);
        Route::post('meetings/{meeting}/offer', [OfferController::class, 'store']);
        Route::post('meetings/{meeting}/offer/take', [OfferController::class, 'take']);
        Route::post('meetings/{meeting}/offer/guests/{person}', [OfferController::class, 'again']);
        Route::delete('meetings/{meeting}/offer', [OfferController::class, 'destroy']);
        Route::get('meetings/{meeting}/shifts', [ShiftReportController::class, 'show']);
        Route::get('meetings/{meeting}/shifts.csv', [ShiftReportController::class, 'csv']);
        Route::post('meetings/{meeting}/second-part', SecondPartController::class);
        Route::get('meetings/{meeting}/answers', [AnswersController::class, 'show']);
        Route::post('meetings/{meeting}/answers/{person}', [AnswersController::class, 'store']);
        Route::post('meetings/{meeting}/replies/{reply}/take', [AnswersController::class, 'take']);
        Route::post('meetings/{meeting}/replies/{reply}/dismiss', [AnswersController::class, 'dismiss']);
        Route::get('meetings/{meeting}/history', [HistoryController::class, 'show']);
        Route::post('meetings/{meeting}/history/{step}/restore', [HistoryController::class, 'restore']);
        Route::post('meetings/{meeting}/keep', [InvitationController::class, 'keep']);
        Route::post('meetings/{meeting}/tell/{person}', [InvitationController::class, 'tellOne']);
        Route::post('meetings/{meeting}/call-off', [InvitationController::class, 'callOff']);
        Route::post('meetings/{meeting}/absences/{absence}/noted', AwayNotedController::class);
        Route::post('meetings/{meeting}/clock-moves', ClockMoveController::class);
        Route::get('people', [PersonController::class, 'index']);
        Route::get('people/of-meetings', EarlierPeopleController::class);
        Route::post('people/{person}/merge', [GuestEndController::class, 'merge']);
        Route::post('people/{person}/forget', [GuestEndController::class, 'forget']);
        Route::get('people/{person}/hand-over', [HandOverController::class, 'show']);
        Route::post('people/{person}/hand-over', [HandOverController::class, 'store']);
        Route::post('people/{person}/back', [HandOverController::class, 'back']);
        Route::get('people/export.csv', [ExportPeople::class, 'csv']);
        Route::get('people/export.vcf', [ExportPeople::class, 'cards']);
        Route::post('people-imports', [PeopleImportController::class, 'store']);
        Route::get('people-imports/{import}', [PeopleImportController::class, 'show']);
        Route::put('people-imports/{import}', [PeopleImportController::class, 'map']);
        Route::post('people-imports/{import}/start', [PeopleImportController::class, 'start']);
        Route::get('people-imports/{import}/refused.csv', [PeopleImportController::class, 'refused']);
        Route::delete('people-imports/{import}', [PeopleImportController::class, 'destroy']);
        Route::post('meetings/{meeting}/clashes/noted', ClashNotedController::class);
        Route::get('teams', [TeamController::class, 'index']);
        Route::post('teams', [TeamController::class, 'store']);
        Route::get('teams/{team}', [TeamController::class, 'show']);
        Route::patch('teams/{team}', [TeamController::class, 'update']);
        Route::delete('teams/{team}', [TeamController::class, 'destroy']);
        Route::post('teams/{team}/members', [TeamController::class, 'members']);
        Route::post('people', [PersonController::class, 'store']);
        Route::get('dispatches', [DispatchController::class, 'index']);
        Route::post('dispatches/again', [SendAgainController::class, 'all']);
        Route::post('dispatches/{dispatch}/again', [SendAgainController::class, 'one']);
        Route::get('dispatches/{dispatch}', [DispatchController::class, 'show']);
        Route::get('dispatches/{dispatch}/html', [DispatchController::class, 'html']);
        Route::get('house-rules', [HouseRulesController::class, 'show']);
        Route::get('house-rules/touched', TouchedByRules::class);
        Route::get('house-rules/teams/{team}', [TeamRoomController::class, 'show']);
    });

    // Administrators
    Route::middleware('role:administrator')->group(function (): void {
        Route::put('house-rules', [HouseRulesController::class, 'update']);
        Route::put('house-rules/teams/{team}', [TeamRoomController::class, 'update']);
        Route::post('accounts', [AccountController::class, 'invite']);
        Route::patch('accounts/{account}', [AccountController::class, 'update']);
    });
});

Route::get('live-allowed', MayListenController::class);

Route::get('{page?}', AppController::class)->where('page', '(?!api/|live/|g(?:/|$)).*');

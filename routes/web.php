<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\AvailabilityController;
use App\Http\Controllers\BoardController;
use App\Http\Controllers\BundleController;
use App\Http\Controllers\CalendarController;
use App\Http\Controllers\CalendarFeedController;
use App\Http\Controllers\CapacityController;
use App\Http\Controllers\CompanyController;
use App\Http\Controllers\CostController;
use App\Http\Controllers\DataController;
use App\Http\Controllers\DemandController;
use App\Http\Controllers\DemoDayController;
use App\Http\Controllers\DraftController;
use App\Http\Controllers\ForecastController;
use App\Http\Controllers\JobController;
use App\Http\Controllers\JournalController;
use App\Http\Controllers\LetterController;
use App\Http\Controllers\MessageController;
use App\Http\Controllers\MissingController;
use App\Http\Controllers\MovementController;
use App\Http\Controllers\OrderController;
use App\Http\Controllers\PeggingController;
use App\Http\Controllers\PlanController;
use App\Http\Controllers\PromiseController;
use App\Http\Controllers\ProposalController;
use App\Http\Controllers\PurchaseController;
use App\Http\Controllers\ReservationController;
use App\Http\Controllers\RunController;
use App\Http\Controllers\SavedViewController;
use App\Http\Controllers\ScheduleController;
use App\Http\Controllers\SearchController;
use App\Http\Controllers\SheetController;
use App\Http\Controllers\ShortageController;
use App\Http\Controllers\SignInController;
use App\Http\Controllers\SiteController;
use App\Http\Controllers\StructureController;
use App\Http\Controllers\StudyController;
use App\Http\Controllers\TodayController;
use App\Http\Controllers\WhyController;
use App\Http\Controllers\WorkListController;
use App\Http\Middleware\MayTakeLong;
use Illuminate\Support\Facades\Route;

Route::patterns(array_fill_keys(['number', 'n', 'id', 'commit', 'study', 'run'], '[1-9][0-9]{0,17}')); // as far as the database counts

Route::middleware('guest')->group(function (): void {
    Route::get('/sign-in', [SignInController::class, 'show'])->name('login');
    Route::post('/sign-in', [SignInController::class, 'store'])->middleware('throttle:sign-in');
});

Route::get('/due/{secret}.ics', [CalendarFeedController::class, 'read'])->where('secret', '[A-Za-z0-9]{40}')->middleware('throttle:feed');

Route::middleware('auth')->group(function (): void {
    Route::post('/sign-out', [SignInController::class, 'destroy']);
    Route::post('/site', SiteController::class);
    Route::get('/search', SearchController::class);
    Route::get('/company', [CompanyController::class, 'show']);
    Route::post('/company', [CompanyController::class, 'save']);
    Route::post('/company/demo', [CompanyController::class, 'loadDemo'])->middleware(MayTakeLong::class);
    Route::delete('/company/demo', [CompanyController::class, 'takeDemoAway'])->middleware(MayTakeLong::class);
    Route::get('/people', [CompanyController::class, 'people']);
    Route::post('/people', [CompanyController::class, 'keep']);
    Route::post('/people/password', [CompanyController::class, 'password']);
    Route::post('/people/retire', [CompanyController::class, 'retire']);
    Route::delete('/account/sessions', [AccountController::class, 'signOutElsewhere']);
    Route::get('/account', [AccountController::class, 'show']);
    Route::post('/account/password', [AccountController::class, 'password'])->middleware('throttle:password');

    Route::post('/account/calendar', [CalendarFeedController::class, 'give'])->middleware('throttle:password');
    Route::delete('/account/calendar', [CalendarFeedController::class, 'withdraw']);

    Route::get('/', TodayController::class);
    Route::post('/demo/day', DemoDayController::class)->middleware(MayTakeLong::class);

    Route::get('/demand', [DemandController::class, 'index']);
    Route::get('/demand/rows', [DemandController::class, 'rows']);
    Route::get('/demand/start', [DemandController::class, 'start']);
    Route::get('/demand/line', [DemandController::class, 'line']);

    Route::get('/demand/forecast-rows', [ForecastController::class, 'rows']);
    Route::get('/demand/outlook', [ForecastController::class, 'outlook']);
    Route::post('/demand/forecast', [ForecastController::class, 'change']);
    Route::post('/demand/forecast/copy', [ForecastController::class, 'copy']);
    Route::post('/demand/forecasts', [ForecastController::class, 'keep']);
    Route::delete('/demand/forecasts', [ForecastController::class, 'takeAway']);

    Route::get('/data', [DataController::class, 'index']);
    Route::get('/about', [DataController::class, 'about']);
    Route::get('/data/rows', [DataController::class, 'rows']);
    Route::get('/data/codes', [DataController::class, 'codes']);
    Route::post('/data/many', [DataController::class, 'many']);
    Route::post('/data/look', [DataController::class, 'look'])->middleware(MayTakeLong::class);
    Route::post('/data/bring', [DataController::class, 'bring'])->middleware(MayTakeLong::class);

    Route::get('/why', WhyController::class);
    Route::get('/why/line', [WhyController::class, 'line']);
    Route::get('/why/proposal', [WhyController::class, 'proposal']);
    Route::get('/why/all', [WhyController::class, 'all']);

    Route::get('/calendar', [CalendarController::class, 'show']);
    Route::get('/calendar/year', [CalendarController::class, 'year']);
    Route::post('/calendar/look', [CalendarController::class, 'look']);
    Route::get('/calendar/{code}.ics', [CalendarController::class, 'file'])->where('code', '.+');

    Route::get('/costs', [CostController::class, 'index']);
    Route::get('/costs/rows', [CostController::class, 'rows']);
    Route::get('/costs/parts', [CostController::class, 'parts']);

    Route::get('/structure', [StructureController::class, 'show']);
    Route::get('/structures', [StructureController::class, 'compare']);
    Route::get('/structure/lines', [StructureController::class, 'lines']);
    Route::post('/structure/replace', [StructureController::class, 'replace']);

    Route::get('/jobs', [JobController::class, 'index']);
    Route::get('/jobs/rows', [JobController::class, 'rows']);
    Route::post('/jobs/approve', [JobController::class, 'approve']);
    Route::post('/jobs/supply', [JobController::class, 'supply']);

    Route::get('/promise', [PromiseController::class, 'index']);
    Route::post('/promise/answer', [PromiseController::class, 'answer']);
    Route::post('/promise/hold', [PromiseController::class, 'hold']);
    Route::post('/promise/accept', [PromiseController::class, 'accept']);
    Route::post('/promise/drop', [PromiseController::class, 'drop']);

    Route::get('/plan', [PlanController::class, 'index']);
    Route::get('/plan/rows', [PlanController::class, 'rows']);
    Route::get('/plan/point', [PlanController::class, 'point']);
    Route::get('/plan/ask', [PlanController::class, 'ask']);
    Route::get('/item', [PlanController::class, 'item']);
    Route::get('/pegging', [PeggingController::class, 'list']);
    Route::get('/thread', [PeggingController::class, 'thread']);
    Route::get('/thread/without', [PeggingController::class, 'without']);

    Route::get('/proposals', [ProposalController::class, 'index']);
    Route::get('/proposals/rows', [ProposalController::class, 'rows']);
    Route::get('/proposals/ready', [ProposalController::class, 'ready']);
    Route::get('/proposals/{number}', [ProposalController::class, 'show']);
    Route::post('/proposals/preview', [ProposalController::class, 'preview']);
    Route::post('/proposals/convert', [ProposalController::class, 'convert']);

    Route::get('/orders', [OrderController::class, 'index']);
    Route::get('/order-rows', [OrderController::class, 'rows']);
    Route::get('/orders/line', [OrderController::class, 'line']);
    Route::get('/orders/{order:code}/order.pdf', [OrderController::class, 'paper'])->where('order', '.+');
    Route::get('/orders/{order:code}/sheet.pdf', [OrderController::class, 'sheet'])->where('order', '.+');
    Route::get('/orders/{order:code}/labels.pdf', [OrderController::class, 'labels'])->where('order', '.+');
    Route::get('/orders/{order:code}/pick.pdf', [OrderController::class, 'pick'])->where('order', '.+');
    Route::get('/orders/{order:code}/order.xml', [OrderController::class, 'ubl'])->where('order', '.+');
    Route::get('/orders/{order:code}', [OrderController::class, 'show'])->where('order', '.+')
        ->missing(OrderController::ofLine(...));
    Route::get('/order-detail/{order:code}', [OrderController::class, 'detail'])->where('order', '.+');

    Route::post('/proposals/put-off', [ProposalController::class, 'putOff']);
    Route::post('/proposals/take-up', [ProposalController::class, 'takeUp']);
    Route::get('/requests', [PurchaseController::class, 'requests']);
    Route::post('/requests/buy', [PurchaseController::class, 'buy']);
    Route::post('/requests/give-back', [PurchaseController::class, 'giveBack']);
    Route::post('/purchases/apart', [PurchaseController::class, 'apart']);
    Route::post('/purchases/send', [PurchaseController::class, 'send']);
    Route::post('/purchases/confirm', [PurchaseController::class, 'confirm']);
    Route::post('/purchases/accept', [PurchaseController::class, 'accept']);
    Route::post('/purchases/confirmation', [PurchaseController::class, 'confirmation']);
    Route::get('/chase', [PurchaseController::class, 'chase']);
    Route::post('/chase', [PurchaseController::class, 'remind']);
    Route::get('/letters', [LetterController::class, 'index']);
    Route::get('/letters/rows', [LetterController::class, 'rows']);
    Route::get('/letters/{id}/files/{n}', [LetterController::class, 'file']);
    Route::post('/letters/{id}/send', [LetterController::class, 'send']);

    Route::get('/sheets/{list}.{format}', SheetController::class)->whereIn('list', ['proposals', 'messages', 'plan', 'flow', 'sales', 'orders', 'journal', 'shortages', 'reservations', 'data'])
        ->whereIn('format', ['csv', 'xlsx', 'html']);
    Route::get('/bundle.zip', BundleController::class);

    Route::get('/messages', [MessageController::class, 'index']);
    Route::get('/messages/rows', [MessageController::class, 'rows']);
    Route::get('/messages/{n}/risk', [MessageController::class, 'risk']);
    Route::post('/messages/answer', [MessageController::class, 'answer']);
    Route::post('/messages/apply', [MessageController::class, 'apply']);

    Route::get('/shortages', [ShortageController::class, 'index']);
    Route::get('/shortages/rows', [ShortageController::class, 'rows']);
    Route::get('/shortages/remedies', [ShortageController::class, 'remedies']);
    Route::post('/shortages/unsent', [ShortageController::class, 'countUnsent']);
    Route::post('/shortages/accept', [ShortageController::class, 'accept']);
    Route::post('/shortages/resolve', [ShortageController::class, 'resolve']);

    Route::get('/capacity', [CapacityController::class, 'index']);
    Route::get('/capacity/load', [CapacityController::class, 'load']);
    Route::get('/capacity/cell', [CapacityController::class, 'cell']);
    Route::get('/capacity/reliefs', [CapacityController::class, 'reliefs']);

    Route::get('/board', [BoardController::class, 'index']);
    Route::get('/board/bars', [BoardController::class, 'bars']);
    Route::get('/board/pick', [BoardController::class, 'pick']);
    Route::get('/board/ways', [BoardController::class, 'ways']);
    Route::post('/board/place', [BoardController::class, 'tryPlaces']);
    Route::get('/board/look', [BoardController::class, 'look']);

    Route::get('/worklist', [WorkListController::class, 'index']);
    Route::get('/worklist/rows', [WorkListController::class, 'rows']);
    Route::get('/worklist.pdf', [WorkListController::class, 'pdf']);
    Route::post('/worklist/report', [WorkListController::class, 'report']);

    Route::get('/schedule', [ScheduleController::class, 'index']);
    Route::post('/schedules', [ScheduleController::class, 'store']);
    Route::get('/schedules/{id}', [ScheduleController::class, 'show']);
    Route::post('/schedules/{id}/stop', [ScheduleController::class, 'stop']);
    Route::post('/schedules/{id}/keep', [ScheduleController::class, 'keep']);
    Route::post('/schedules/{id}/drop', [ScheduleController::class, 'drop']);

    Route::get('/draft', [DraftController::class, 'show']);
    Route::post('/draft/lines', [DraftController::class, 'store']);
    Route::delete('/draft/lines/{id}', [DraftController::class, 'drop']);
    Route::post('/draft/lines/{id}/accept', [DraftController::class, 'accept']);
    Route::delete('/draft', [DraftController::class, 'discard']);
    Route::post('/draft/balances', [DraftController::class, 'balances']);
    Route::post('/draft/step', [DraftController::class, 'step']);
    Route::post('/draft/commit', [DraftController::class, 'commit'])->middleware(MayTakeLong::class);
    Route::post('/draft/keep', [DraftController::class, 'keep']);

    Route::get('/complete', [AvailabilityController::class, 'index']);
    Route::get('/availability', [AvailabilityController::class, 'moved']);
    Route::get('/complete/subjects', [AvailabilityController::class, 'subjects']);
    Route::get('/complete/answer', [AvailabilityController::class, 'answer']);
    Route::get('/complete/earliest', [AvailabilityController::class, 'earliest']);
    Route::get('/complete/possible', [AvailabilityController::class, 'possible']);
    Route::get('/complete/parts', [AvailabilityController::class, 'parts']);

    Route::get('/reservations', [ReservationController::class, 'index']);
    Route::post('/reservations/hold', [ReservationController::class, 'hold']);
    Route::post('/reservations/free', [ReservationController::class, 'free']);
    Route::post('/reservations/give', [ReservationController::class, 'give']);
    Route::post('/reservations/hold-for', [ReservationController::class, 'holdFor']);

    Route::get('/count', [MovementController::class, 'counting']);
    Route::post('/count/look', [MovementController::class, 'countSheet']);
    Route::get('/movements', [MovementController::class, 'index']);
    Route::get('/movements/rows', [MovementController::class, 'rows']);
    Route::post('/movements/receive', [MovementController::class, 'receive']);
    Route::post('/movements/receive-whole', [MovementController::class, 'receiveWhole']);
    Route::post('/movements/issue', [MovementController::class, 'issue']);
    Route::post('/movements/send', [MovementController::class, 'send']);
    Route::get('/movements/delivery/{commit}.pdf', [MovementController::class, 'delivery']);
    Route::post('/movements/ship', [MovementController::class, 'ship']);
    Route::post('/movements/count', [MovementController::class, 'count']);
    Route::post('/movements/block', [MovementController::class, 'block']);
    Route::post('/movements/{id}/reverse', [MovementController::class, 'reverse']);
    Route::post('/missing', [MissingController::class, 'store']);
    Route::post('/missing/{id}/draft', [MissingController::class, 'draft']);
    Route::post('/missing/{id}/deal', [MissingController::class, 'deal']);

    Route::get('/history', [JournalController::class, 'history']);
    Route::get('/journal', [JournalController::class, 'index']);
    Route::post('/journal/{commit}/undo', [JournalController::class, 'undo']);

    Route::post('/views', [SavedViewController::class, 'store']);
    Route::delete('/views', [SavedViewController::class, 'destroy']);

    Route::get('/studies', [StudyController::class, 'index']);
    Route::post('/studies', [StudyController::class, 'store']);
    Route::put('/studies/{study}', [StudyController::class, 'update']);
    Route::post('/studies/{study}/run', [StudyController::class, 'run']);
    Route::delete('/studies/{study}', [StudyController::class, 'destroy']);
    Route::post('/shown-plan', [StudyController::class, 'show']);
    Route::get('/compare', [StudyController::class, 'compare']);

    Route::post('/runs', [RunController::class, 'store']);
    Route::get('/runs/kept', [RunController::class, 'kept']);
    Route::post('/runs/kept', [RunController::class, 'keep']);
    Route::delete('/runs/kept', [RunController::class, 'forget']);
    Route::post('/runs/refresh', [RunController::class, 'refresh']);
    Route::get('/runs/{run}', [RunController::class, 'show']);
});

<?php

declare(strict_types=1);

use App\Http\Site\BeaconController;
use App\Http\Site\ConfirmController;
use App\Http\Site\DeedController;
use App\Http\Site\DomainController;
use App\Http\Site\EmbedController;
use App\Http\Site\FileController;
use App\Http\Site\FrontDoorController;
use App\Http\Site\HandOverController;
use App\Http\Site\HealthController;
use App\Http\Site\MailLinkController;
use App\Http\Site\MediaController;
use App\Http\Site\NowController;
use App\Http\Site\PageController;
use App\Http\Site\PageFormController;
use App\Http\Site\Pay\CallController;
use App\Http\Site\Pay\PayController;
use App\Http\Site\Pay\PracticeController;
use App\Http\Site\Pay\PurchasesController;
use App\Http\Site\PopupController;
use App\Http\Site\PopupPageController;
use App\Http\Site\PreviewController;
use App\Http\Site\ReadController;
use App\Http\Site\ReturnedMailController;
use App\Http\Site\RoomController;
use App\Http\Site\SharedResultsController;
use App\Http\Site\UnsubscribeController;
use Illuminate\Support\Facades\Route;

// What visitors reach. No sessions here. First parts used below are among WebAddress::RESERVED.
Route::get('/', FrontDoorController::class);
Route::post('/', PageFormController::class);
Route::get('/m/domains/known', [DomainController::class, 'known']);
Route::get('/m/domains/{token}', [DomainController::class, 'token'])->where('token', '[a-z0-9]{40}');
Route::get('/h', HandOverController::class);
// Our own health page: the framework's fetches fonts and scripts from other hosts.
Route::get('/up', HealthController::class);
Route::get('/m/now', NowController::class);
Route::post('/m/returned/{business}/{key}', ReturnedMailController::class)->where('business', '[0-9]{1,18}')->where('key', '[a-z0-9]{40}')
    ->middleware('throttle:provider');
Route::post('/m/view', BeaconController::class)->middleware('throttle:beacon')->name('site.beacon');
Route::get('/m/results/{key}', SharedResultsController::class)->where('key', '[a-z0-9]{40}');
Route::post('/m/read', ReadController::class)->middleware('throttle:reading');
Route::post('/m/did', DeedController::class)->middleware('throttle:beacon');
Route::get('/media/{upload}/{form}', MediaController::class)->where(['form' => '[a-z0-9]{1,5}\.(webp|jpg|png|mp4|webm)|captions\.vtt'])
    ->name('site.media');
Route::get('/s/{submission}/{leadMagnet}/{name}', [FileController::class, 'ofSubmission'])->where('name', '[^/]+')->name('site.file.page');
Route::get('/f/{delivery}/{name}', [FileController::class, 'download'])->where('name', '[^/]+')->name('site.file');
Route::post('/f/again', [FileController::class, 'again'])->middleware('throttle:new-link')->name('site.file.again');
Route::get('/u/{message}', [UnsubscribeController::class, 'ask'])->name('site.unsubscribe');
Route::post('/u/{message}', [UnsubscribeController::class, 'leave']);
Route::get('/c/wait/{submission}/{seal}', [ConfirmController::class, 'wait']);
Route::post('/c/wait/{submission}/{seal}', [ConfirmController::class, 'again'])->middleware('throttle:new-link');
Route::get('/c/{confirmation}/{seal}', [ConfirmController::class, 'ask']);
Route::post('/c/{confirmation}/{seal}', [ConfirmController::class, 'confirm']);
Route::get('/l/{message}/{link}/{seal}', [MailLinkController::class, 'follow'])->where('link', '[0-9]{1,10}');
Route::post('/l/{message}/{link}/{seal}', [MailLinkController::class, 'confirm'])->where('link', '[0-9]{1,10}')
    ->middleware('throttle:beacon');
Route::get('/o/{message}/{seal}.gif', [MailLinkController::class, 'open']);
Route::get('/t/{message}/{deadline}/{seal}.gif', [MailLinkController::class, 'countdown'])->middleware('throttle:beacon');
Route::get('/e/{form}.js', [EmbedController::class, 'script'])->where('form', '[a-z0-9]{26}');
Route::get('/e/{form}/token', [EmbedController::class, 'token'])->middleware('throttle:beacon');
Route::get('/e/done/{submission}/{seal}', [EmbedController::class, 'done']);
Route::options('/e/{form}', [EmbedController::class, 'preflight']);
Route::post('/e/{form}', [EmbedController::class, 'submit']);
// Pop-ups: what their script asks and reports; as pages of their own; and the line that stands on the owner's other sites.
Route::post('/w/ask', [PopupController::class, 'ask'])->middleware('throttle:popups');
Route::post('/w/show', [PopupController::class, 'show'])->middleware('throttle:popups');
Route::post('/w/report', [PopupController::class, 'report'])->middleware('throttle:popups');
Route::post('/w/join', [PopupController::class, 'join'])->middleware('throttle:popups');
Route::get('/w/fonts/{file}', [PopupPageController::class, 'font'])->where('file', '[a-z0-9-]{1,80}\.woff2');
Route::get('/w/{site}.js', [PopupPageController::class, 'script'])->where('site', '[a-z0-9]{26}');
Route::get('/p/{popup}', [PopupPageController::class, 'show'])->where('popup', '[a-z0-9]{26}');
Route::post('/p/{popup}', [PopupPageController::class, 'take'])->where('popup', '[a-z0-9]{26}')->middleware('throttle:popups');
// Webinars: one person's place, by their own link, and what their device reports from the room.
Route::prefix('r/{registration}/{seal}')->where(['registration' => '[0-9a-z]{26}', 'seal' => '[0-9a-f]{20}'])->group(function (): void {
    Route::get('/', [RoomController::class, 'enter']);
    Route::get('replay', [RoomController::class, 'replay']);
    Route::get('change', [RoomController::class, 'change']);
    Route::get('session.ics', [RoomController::class, 'calendar']);
    Route::post('session', [RoomController::class, 'choose'])->middleware('throttle:room');
    Route::post('cancel', [RoomController::class, 'cancel'])->middleware('throttle:room');
    Route::post('report', [RoomController::class, 'report'])->middleware('throttle:room');
    Route::post('ask', [RoomController::class, 'ask'])->middleware('throttle:room');
    Route::post('vote', [RoomController::class, 'vote'])->middleware('throttle:room');
});
// Paying: the way back from the bank, the page to wait on, the provider's calls, and the pages of practice payments.
Route::get('/pay/back/{payment}/{seal}', [PayController::class, 'back']);
Route::get('/pay/wait/{order}/{seal}', [PayController::class, 'wait']);
Route::get('/pay/order/{order}/{seal}', [PayController::class, 'order']);
Route::post('/pay/calls/{provider}', CallController::class)->middleware('throttle:provider');
Route::get('/pay/practice/card', [PracticeController::class, 'card']);
Route::post('/pay/practice/card', [PracticeController::class, 'keepCard'])->middleware('throttle:beacon');
Route::get('/pay/practice/bank/{key}/{seal}', [PracticeController::class, 'bank']);
Route::post('/pay/practice/bank/{key}/{seal}', [PracticeController::class, 'decide']);
// What a buyer has: opened by sealed links, without a password.
Route::get('/my/open/{access}/{seal}', [PurchasesController::class, 'open']);
Route::get('/my/files/{access}/{upload}/{seal}/{name}', [PurchasesController::class, 'file'])->where('name', '[^/]+');
Route::get('/my/receipts/{receipt}/{seal}/{name}', [PurchasesController::class, 'receipt'])->where('name', '[a-z0-9.-]{1,60}');
Route::get('/my/{person}/{seal}', [PurchasesController::class, 'show'])->where('person', '[0-9a-z]{26}');
Route::post('/my/{person}/{seal}', [PurchasesController::class, 'newCard'])->where('person', '[0-9a-z]{26}')->middleware('throttle:beacon');
Route::get('/preview/{funnel}/{page?}', [PreviewController::class, 'show'])->where('page', '[a-z0-9-]{1,60}')->name('site.preview');
Route::post('/preview/{funnel}/{page?}', [PreviewController::class, 'next'])->where('page', '[a-z0-9-]{1,60}');
Route::get('/{funnel}/{page?}', PageController::class)->where(['funnel' => '[a-z0-9-]{1,60}', 'page' => '[a-z0-9-]{1,60}'])
    ->name('site.page');
Route::post('/{funnel}/{page?}', PageFormController::class)->where(['funnel' => '[a-z0-9-]{1,60}', 'page' => '[a-z0-9-]{1,60}']);

<?php

declare(strict_types=1);

use App\Http\Studio\DesignController;
use App\Http\Studio\DeskController;
use App\Http\Studio\EmailController;
use App\Http\Studio\ExportController;
use App\Http\Studio\FormController;
use App\Http\Studio\FunnelController;
use App\Http\Studio\LeadMagnetController;
use App\Http\Studio\MessageController;
use App\Http\Studio\PageController;
use App\Http\Studio\PersonController;
use App\Http\Studio\PublishController;
use App\Http\Studio\ResultsController;
use App\Http\Studio\SearchController;
use App\Http\Studio\SessionController;
use App\Http\Studio\SettingsController;
use App\Http\Studio\SharedSectionController;
use App\Http\Studio\ShellController;
use App\Http\Studio\UploadController;
use Illuminate\Support\Facades\Route;

Route::prefix('studio/api')->group(function (): void {
    Route::get('session', [SessionController::class, 'show']);
    Route::post('session', [SessionController::class, 'signIn'])->middleware('throttle:sign-in');
    Route::post('setup', [SessionController::class, 'setUp'])->middleware('throttle:sign-in');

    Route::middleware('auth')->group(function (): void {
        Route::delete('session', [SessionController::class, 'signOut']);
        Route::put('settings', [SettingsController::class, 'update']);

        Route::get('funnels', [FunnelController::class, 'index']);
        Route::post('funnels', [FunnelController::class, 'store']);
        Route::get('funnels/{funnel}', [FunnelController::class, 'show']);
        Route::put('funnels/{funnel}', [FunnelController::class, 'update']);
        Route::post('funnels/{funnel}/duplicate', [FunnelController::class, 'duplicate']);
        Route::post('funnels/{funnel}/archive', [FunnelController::class, 'archive']);
        Route::post('funnels/{funnel}/restore', [FunnelController::class, 'restore']);
        Route::get('funnels/{funnel}/results', [ResultsController::class, 'show']);

        Route::get('funnels/{funnel}/check', [PublishController::class, 'check']);
        Route::get('funnels/{funnel}/versions', [PublishController::class, 'versions']);
        Route::post('funnels/{funnel}/publish', [PublishController::class, 'publish']);
        Route::post('funnels/{funnel}/close', [PublishController::class, 'close']);
        Route::post('funnels/{funnel}/versions/{version}/live', [PublishController::class, 'switchTo']);

        Route::get('funnels/{funnel}/changes', [PublishController::class, 'changes']);
        Route::post('funnels/{funnel}/preview-link', [PublishController::class, 'previewLink']);
        Route::get('funnels/{funnel}/export', [ExportController::class, 'archive']);
        Route::get('funnels/{funnel}/html', [ExportController::class, 'html']);
        Route::get('pages/{page}/html', [ExportController::class, 'pageHtml']);
        Route::post('funnels/import', [ExportController::class, 'import']);

        Route::post('funnels/{funnel}/pages', [PageController::class, 'store']);
        Route::put('funnels/{funnel}/order', [PageController::class, 'reorder']);
        Route::put('pages/{page}', [PageController::class, 'update']);
        Route::delete('pages/{page}', [PageController::class, 'destroy']);
        Route::post('pages/{page}/restore', [PageController::class, 'restore']);
        Route::post('pages/{page}/duplicate', [PageController::class, 'duplicate']);
        Route::put('pages/{page}/ways', [PageController::class, 'connect']);
        Route::post('pages/{page}/draw', [DeskController::class, 'draw']);
        Route::post('pages/{page}/check', [DeskController::class, 'check']);
        Route::post('pages/{page}/mend', [DeskController::class, 'mend']);
        Route::post('pages/{page}/sections', [DeskController::class, 'newSection']);
        Route::post('pages/{page}/redesign', [DeskController::class, 'redesign']);
        Route::post('pages/{page}/restyle', [DeskController::class, 'restyle']);
        Route::post('pages/{page}/blocks', [DeskController::class, 'newBlock']);
        Route::post('funnels/{funnel}/shared-sections', [SharedSectionController::class, 'store']);
        Route::put('shared-sections/{shared}', [SharedSectionController::class, 'update']);
        Route::delete('shared-sections/{shared}', [SharedSectionController::class, 'destroy']);
        Route::get('designs', [DesignController::class, 'index']);
        Route::post('designs', [DesignController::class, 'store']);
        Route::delete('designs/{design}', [DesignController::class, 'destroy']);
        Route::post('designs/{design}/restore', [DesignController::class, 'restore']);
        Route::put('forms/{form}', [FormController::class, 'update']);
        Route::post('funnels/{funnel}/emails', [EmailController::class, 'store']);
        Route::put('emails/{email}', [EmailController::class, 'update']);
        Route::delete('emails/{email}', [EmailController::class, 'destroy']);
        Route::post('emails/{email}/restore', [EmailController::class, 'restore']);
        Route::get('emails/{email}/sample', [EmailController::class, 'sample']);
        Route::post('lead-magnets/{leadMagnet}', [LeadMagnetController::class, 'update']);
        Route::post('uploads/pictures', [UploadController::class, 'picture']);
        Route::post('uploads/videos', [UploadController::class, 'video']);
        Route::get('uploads/videos', [UploadController::class, 'videos']);
        Route::get('uploads/pictures', [UploadController::class, 'pictures']);

        Route::get('people', [PersonController::class, 'index']);
        Route::get('people/{person}', [PersonController::class, 'show']);
        Route::post('deliveries/{delivery}/revoke', [PersonController::class, 'revoke']);
        Route::post('deliveries/{delivery}/allow', [PersonController::class, 'allow']);
        Route::get('messages', [MessageController::class, 'index']);
        Route::get('messages/{message}', [MessageController::class, 'show']);
        Route::get('search', SearchController::class);
        Route::get('pulse', [ResultsController::class, 'pulse']);
    });
    Route::any('{any}', fn () => response()->json(['message' => 'There is nothing at this address.'], 404))->where('any', '.*');
});

Route::middleware('auth')->prefix('studio/preview')->group(function (): void {
    Route::get('pages/{page}', [DeskController::class, 'page']);
    Route::get('funnels/{funnel}/designs/own', [DeskController::class, 'ownDesigns']);
    Route::get('funnels/{funnel}/designs/{kind}', [DeskController::class, 'designs']);
});
Route::get('studio/{any?}', ShellController::class)->where('any', '.*')->name('studio');

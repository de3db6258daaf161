<?php

declare(strict_types=1);

/*
 * For `opcache.preload` in the settings of php-fpm: the classes that pages are answered with stay in the memory of every process, so that
 * none is looked for with a request. After an update php-fpm must be restarted (docs/running.md).
 */

$root = dirname(__DIR__);
spl_autoload_register(static function (string $class) use ($root): void {
    foreach (['App\\' => 'app', 'Lantern\\Core\\' => 'core'] as $prefix => $folder) {
        $file = "{$root}/{$folder}/".strtr(substr($class, strlen($prefix)), '\\', '/').'.php';
        if (str_starts_with($class, $prefix) && is_file($file)) {
            require_once $file;
        }
    }
});
// Nothing of them extends a class of the framework's.
foreach (['core', 'app/Front', 'app/Serving/Facts', 'app/Serving/Slots'] as $folder) {
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/{$folder}", FilesystemIterator::SKIP_DOTS)) as $file) {
        if ($file->getExtension() === 'php') {
            require_once $file->getPathname();
        }
    }
}
foreach (['Serving/PageDeadlines', 'Serving/PageHeaders', 'Serving/VisitFacts', 'Serving/Browser', 'Serving/Source', 'Support/Setting',
    'Support/Hosts', 'Support/Homes', 'Support/Place', 'Support/Html', 'Support/Instant', 'Support/Seal',
    'Support/SealPurpose', 'Support/SiteAddress', 'Support/SiteCookie',
    'Support/SiteCookies', 'Languages/Phrases', 'Languages/PhraseFiles', 'Languages/SiteVoice', 'Forms/FormToken', 'Rendering/Countdown',
    'Rendering/Marks', 'Records/Runs', 'Records/DeadlineOwner', 'Deadlines/VisitorIdentity', 'Webinars/Offered',
    'Serving/ReceivedSignup', 'Serving/ViewReport', 'Serving/DeedReport', 'Forms/SpamGuard', 'Forms/Confirmations', 'Files/FileLinks',
    'Support/AnswerKind', 'Support/Ids'] as $class) {
    require_once "{$root}/app/{$class}.php";
}

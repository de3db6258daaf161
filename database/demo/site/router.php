<?php

declare(strict_types=1);

/*
 * The sample site of the demo: a few plain pages that know nothing of Upbeat Lantern but the one line of script that an owner puts on
 * a site of theirs. `bin/demo` serves it one port above the application.
 */
$path = trim((string) parse_url((string) ($_SERVER['REQUEST_URI'] ?? '/'), PHP_URL_PATH), '/');
$page = __DIR__.'/'.($path === '' ? 'index' : $path).'.html';
if (preg_match('/^[a-z-]*$/D', $path) !== 1 || ! is_file($page)) {
    http_response_code(404);
    $page = __DIR__.'/index.html';
}
$content = (string) file_get_contents($page);
preg_match('~<h1>(.*?)</h1>~s', $content, $title);
header('Content-Type: text/html; charset=utf-8');
// As strict as a careful site is: its own styles, and scripts, forms and pictures of the one host that it lets in.
$host = (string) getenv('SITE_URL');
header("Content-Security-Policy: default-src 'none'; style-src 'self' 'unsafe-inline' {$host}; script-src {$host}; connect-src {$host}; "
    ."img-src {$host}; font-src {$host}; form-action {$host}; base-uri 'none'");
?>
<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title><?= $title[1] ?? 'Practice notes' ?></title>
<style>
html { font-size: 62.5% }
body { margin: 0; font: 1.9rem/1.65 Georgia, serif; color: #2b2622; background: #fdfcf9 }
header, main, footer { max-width: 68rem; margin: 0 auto; padding: 2rem 2rem 0 }
header a { color: inherit; font-size: 2.2rem; font-weight: bold; text-decoration: none }
h1 { font-size: 3.6rem; line-height: 1.2; margin: 3rem 0 1.5rem }
h2 { font-size: 2.4rem; margin: 3rem 0 1rem }
a { color: #7a4a12 }
footer { padding: 4rem 2rem; color: #6d655c; font-size: 1.6rem }
button, input { font: bold 3rem cursive; color: red }
</style>
</head>
<body>
<header><a href="/">Practice notes</a></header>
<main>
<?= $content ?>
</main>
<footer>Practice notes,
    by Imke Farrow. A sample site: it is not part of Upbeat Lantern. <a href="/">All notes</a> · <a href="/about">About</a></footer>
<script async src="<?= htmlspecialchars($host, ENT_QUOTES) ?>/w/01jdem0s1te000000000000000.js"></script>
</body>
</html>

<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
<title>Upbeat Lantern</title>
<link rel="icon" type="image/svg+xml" href="/favicon.svg">
@vite('resources/studio/main.ts')
</head>
<body>
<div id="studio"><noscript>The Studio needs JavaScript. The pages your visitors see do not.</noscript></div>
</body>
</html>

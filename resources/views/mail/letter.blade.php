<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="color-scheme" content="light dark">
<title>{{ $subject }}</title>
<style>
body { margin: 0; background-color: #f4f2ee; }
.paper { width: 100%; max-width: 600px; background-color: #ffffff; border-radius: 6px; }
.words { padding: 32px 36px; font-family: Georgia, 'Times New Roman', serif; font-size: 17px; line-height: 27px; color: #24302d; }
.words p { margin: 0 0 18px; }
.words a { color: {{ $link }}; }
.words h2 { font-size: 22px; line-height: 28px; margin: 0 0 14px; }
.words h3 { font-size: 18px; line-height: 26px; margin: 0 0 10px; }
.words .button { display: inline-block; background-color: {{ $accent }}; color: {{ $onAccent }}; padding: 13px 26px; border-radius: 6px; text-decoration: none; font-weight: bold; font-family: Arial, Helvetica, sans-serif; font-size: 16px; line-height: 20px; }
.small { padding: 18px 36px 40px; font-family: Arial, Helvetica, sans-serif; font-size: 13px; line-height: 20px; color: #5a625f; }
.small a { color: #5a625f; }
</style>
</head>
<body>
<table role="presentation" width="100%" cellpadding="0" cellspacing="0" border="0">
<tr><td align="center">
<table role="presentation" class="paper" cellpadding="0" cellspacing="0" border="0">
<tr><td class="words">{!! $body !!}</td></tr>
</table>
<table role="presentation" width="600" cellpadding="0" cellspacing="0" border="0" style="width:100%;max-width:600px">
<tr><td class="small">{{ $business->name }}<br>{!! nl2br(e($business->postal_address)) !!}<br><a href="{{ $unsubscribe }}">Unsubscribe</a></td></tr>
</table>
</td></tr>
</table>
</body>
</html>

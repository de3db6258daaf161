<!doctype html>
<html {{ $say->attributes() }}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="color-scheme" content="light dark">
<meta name="supported-color-schemes" content="light dark">
<title>{{ $subject }}</title>
<style>
body { margin: 0; background-color: #f4f2ee; }
.paper { width: 100%; max-width: 600px; background-color: #ffffff; border-radius: 6px; }
.words { padding: 32px 36px; font-family: Georgia, 'Times New Roman', serif; font-size: 17px; line-height: 27px; color: #24302d; }
.words p { margin: 0 0 18px; }
.words ul { margin: 0 0 18px; padding: 0; padding-{{ $say->start() }}: 24px; }
.words ol { margin: 0 0 18px; padding: 0; padding-{{ $say->start() }}: 26px; }
.words li { margin: 0 0 6px; }
.words hr { border: 0; border-top: 1px solid #d9d5cc; margin: 24px 0; }
.words blockquote { margin: 0 0 18px; padding: 0; padding-{{ $say->start() }}: 16px; border-{{ $say->start() }}: 3px solid #d9d5cc; }
.words a { color: {{ $link }}; }
.words h2 { font-size: 22px; line-height: 28px; margin: 0 0 14px; }
.words h3 { font-size: 18px; line-height: 26px; margin: 0 0 10px; }
.words .button { display: inline-block; background-color: {{ $accent }}; color: {{ $onAccent }}; padding: 13px 26px; border-radius: 6px; text-decoration: none; font-weight: bold; font-family: Arial, Helvetica, sans-serif; font-size: 16px; line-height: 20px; }
.small { padding: 18px 36px 40px; font-family: Arial, Helvetica, sans-serif; font-size: 13px; line-height: 20px; color: #5a625f; }
.small a { color: #5a625f; }
</style>
<style>
@media (prefers-color-scheme: dark) {
body { background-color: #12181a !important; }
.paper { background-color: #1d2422 !important; }
.words { color: #ece8df !important; }
.words a { color: {{ $darkLink }} !important; }
.words .button { background-color: {{ $accent }} !important; color: {{ $onAccent }} !important; }
.small, .small a { color: #a9b1ac !important; }
}
@media (max-width: 480px) { .words { padding: 24px 20px !important; } .small { padding: 18px 20px 32px !important; } }
</style>
</head>
<body>
<table role="presentation" width="100%" cellpadding="0" cellspacing="0" border="0" {{ $say->attributes() }}>
<tr><td align="center">
<table role="presentation" class="paper" cellpadding="0" cellspacing="0" border="0">
<tr><td class="words">{!! $body !!}</td></tr>
</table>
<table role="presentation" width="600" cellpadding="0" cellspacing="0" border="0" style="width:100%;max-width:600px">
<tr><td class="small">{{ $business->name }}<br>{!! nl2br(e($business->postal_address)) !!}@if ($unsubscribe !== '')<br><a href="{{ $unsubscribe }}">{{ $say('mail.unsubscribe') }}</a>@endif @if ($pixel !== '')<img src="{{ $pixel }}" width="1" height="1" alt="" style="display:block;border:0">@endif</td></tr>
</table>
</td></tr>
</table>
</body>
</html>

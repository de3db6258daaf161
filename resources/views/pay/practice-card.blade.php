<!doctype html>
<html {{ $say->attributes() }}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
<title>{{ $say('card.fields') }}</title>
<style>
*{box-sizing:border-box}body{margin:0;font:400 1rem/1.45 system-ui,sans-serif;color:#20302d;background:#fff;padding:.1rem}
form{display:grid;grid-template-columns:2fr 1fr;gap:.6rem .75rem}p{margin:0}.all{grid-column:1/-1}
label{display:block;font-weight:600;font-size:.95rem;margin-bottom:.2rem}
input{width:100%;min-height:46px;padding:.55rem .7rem;font:inherit;color:inherit;border:1.5px solid #80908a;border-radius:8px;background:#fff}
input:focus-visible{outline:3px solid #1e6b5e;outline-offset:1px}[aria-invalid=true]{border-color:#a83f29}
.error{display:block;color:#a83f29;font-size:.9rem;margin-top:.2rem}.small{font-size:.85rem;color:#4b5a54}
@media(max-width:22rem){form{grid-template-columns:1fr}}
</style>
</head>
<body data-method="{{ $method }}" data-errors="{{ count($errors) }}">
<form method="post" action="/pay/practice/card?language={{ $say->language()->tag }}" novalidate>
@foreach (['number' => [$say('card.number'), 'cc-number', 25], 'until' => [$say('card.until'), 'cc-exp', 7], 'code' => [$say('card.code'), 'cc-csc', 4]] as $name => [$label, $auto, $max])
<p @if ($name === 'number') class="all" @endif><label for="{{ $name }}">{{ $label }}</label>
<input id="{{ $name }}" dir="ltr" name="{{ $name }}" inputmode="numeric" autocomplete="{{ $auto }}" maxlength="{{ $max }}" value="{{ $typed[$name] ?? '' }}" @if ($name === 'until') placeholder="08/31" @endif @isset($errors[$name]) aria-invalid="true" aria-describedby="e-{{ $name }}" @endisset>
@isset($errors[$name])<span class="error" id="e-{{ $name }}" role="alert">{{ $errors[$name] }}</span>@endisset</p>
@endforeach
<p class="all small">{{ $say('card.practice', ['number' => trim(chunk_split(\App\Payments\Practice\Behaviour::Approves->number(), 4, ' '))]) }}</p>
</form>
<script type="module" src="{{ \App\Rendering\SiteAssets::card() }}"></script>
</body>
</html>

<!doctype html>
<html {{ $say->attributes() }}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
<title>{{ $say('card.bank.title') }}</title>
<style>
*{box-sizing:border-box}body{margin:0;font:400 1.0625rem/1.55 system-ui,sans-serif;color:#20302d;background:#e9eef0}
main{max-width:30rem;margin:12vh auto 0;padding:2rem;background:#fff;border-radius:12px}h1{margin:0 0 .5rem;font-size:1.35rem}
button,a.button{display:block;width:100%;min-height:50px;margin-top:.75rem;font:inherit;font-weight:700;border-radius:10px;border:1.5px solid #20302d;background:#fff;color:#20302d;cursor:pointer}
button.main{background:#20302d;color:#fff}button:focus-visible{outline:3px solid #1e6b5e;outline-offset:2px}.small{font-size:.9rem;color:#4b5a54}
</style>
</head>
<body>
<main>
@if ($charge === null)
<h1>{{ $say('card.bank.nothing') }}</h1>
<p>{{ $say('card.bank.nothing_words') }}</p>
@elseif ($charge->state !== 'bank')
<h1>{{ $say('card.bank.decided') }}</h1>
<form method="post"><button class="main" name="decision" value="none">{{ $say('card.bank.back') }}</button></form>
@else
<h1>{{ $say('card.bank.question') }}</h1>
<p>{{ $say->html('card.bank.amount', ['amount' => $amount, 'business' => $charge->about], ['b' => '<strong>']) }}</p>
<form method="post">
<button class="main" name="decision" value="approve">{{ $say('card.bank.approve') }}</button>
<button name="decision" value="refuse">{{ $say('card.bank.refuse') }}</button>
</form>
<p class="small">{{ $say('card.bank.practice') }}</p>
@endif
</main>
</body>
</html>

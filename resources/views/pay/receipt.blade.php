<!doctype html>
<html {{ $say->attributes() }}>
<head>
<meta charset="utf-8">
<title>{{ $say('receipt.title', ['kind' => $paper->receipt->kind->phrase(), 'number' => (string) $paper->receipt->number]) }}</title>
<style>
body{font-family:'DejaVu Sans',sans-serif;font-size:10pt;color:#20302d;margin:10mm 8mm;text-align:{{ $say->start() }}}h1{font-size:18pt;margin:0 0 2mm}
table{width:100%;border-collapse:collapse;margin-top:8mm}th{text-align:{{ $say->start() }};border-bottom:1px solid #20302d;padding:2mm 1mm;font-size:9pt}
td{padding:2mm 1mm;border-bottom:.5px solid #cfc5b2;vertical-align:top;text-align:{{ $say->start() }}}.r{text-align:{{ $say->end() }}}.sum td{border-bottom:0}.all td{font-weight:bold;border-top:1px solid #20302d}
.two td{border:0;padding:0 1mm;width:50%}.soft{color:#4b5a54;font-size:9pt}
</style>
</head>
<body>
<table class="two" style="margin-top:0"><tr><td><h1>{{ $say('receipt.title', ['kind' => $paper->receipt->kind->phrase(), 'number' => (string) $paper->receipt->number]) }}</h1>
<p>{{ $paper->day('day') }}<br>{{ $say('receipt.order', ['number' => $paper->orderNumber()]) }}</p></td>
<td class="r"><strong>{{ $paper->seller('name') }}</strong><br>{!! nl2br(e($paper->seller('address'))) !!}@if ($paper->seller('taxNumber') !== '')<br>{{ $say('receipt.tax_number', ['tax' => $paper->seller('taxName'), 'number' => $paper->seller('taxNumber')]) }}@endif</td></tr></table>
<p style="margin-top:8mm"><span class="soft">{{ $say('receipt.for') }}</span><br>@if ($paper->buyer('name') !== ''){{ $paper->buyer('name') }}<br>@endif{{ $paper->buyer('email') }}</p>
<table>
<tr><th>{{ $say('receipt.what') }}</th><th class="r">{{ $paper->seller('taxName') }}</th><th class="r">{{ $say('receipt.of_it') }}</th><th class="r">{{ $say('receipt.amount') }}</th></tr>
@foreach ($paper->lines() as $line)
<tr><td>{{ $line['name'] }}@if ($line['discount'] !== '')<br><span class="soft">{{ $paper->text('coupon') === '' ? $say('receipt.less', ['amount' => $line['discount']]) : $say('receipt.less_code', ['amount' => $line['discount'], 'code' => $paper->text('coupon')]) }}</span>@endif</td><td class="r">{{ $line['rate'] }}</td><td class="r">{{ $line['tax'] }}</td><td class="r">{{ $line['total'] }}</td></tr>
@endforeach
<tr class="all"><td colspan="3">{{ $say('receipt.total') }}</td><td class="r">{{ $paper->money($paper->sum('total')) }}</td></tr>
<tr class="sum"><td colspan="3">{{ $say('receipt.tax_in_it', ['tax' => $paper->seller('taxName')]) }}</td><td class="r">{{ $paper->money($paper->sum('tax')) }}</td></tr>
<tr class="sum"><td colspan="3">{{ $say($paper->paidBy()) }}</td><td class="r">{{ $paper->money(abs($paper->sum('paid'))) }}</td></tr>
</table>
@if ($paper->later() !== [])
<p style="margin-top:8mm"><strong>{{ $say('receipt.still') }}</strong></p>
<table style="margin-top:0">@foreach ($paper->later() as $payment)<tr><td>{{ $payment['due'] }}</td><td class="r">{{ $payment['amount'] }}</td></tr>@endforeach</table>
@endif
</body>
</html>

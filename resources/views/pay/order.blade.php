@extends('pay.layout', ['title' => $say('purchase.your_order')])
@section('body')
<h1 class="heading">{{ $say('purchase.thanks') }}</h1>
@include('pay.purchases')
@endsection

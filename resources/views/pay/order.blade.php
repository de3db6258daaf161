@extends('pay.layout', ['title' => 'Your order'])
@section('body')
<h1 class="heading">Thank you for your order</h1>
@include('pay.purchases')
@endsection

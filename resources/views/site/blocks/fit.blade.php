<div {!! $at->root('fit '.$block->style()) !!}>
@foreach (['yes' => 'html', 'no' => 'notHtml'] as $title => $list)
<div class="fit-{{ $title }}">
<h3{!! $at->words($title) !!}>{{ $block->field($title) }}</h3>
<div class="small-text"{!! $at->words($list) !!}>{{ $view->words($block->field($list)) }}</div>
</div>
@endforeach
</div>

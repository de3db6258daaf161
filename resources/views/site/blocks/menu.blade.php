@if ($block->items !== [] || $view->editing())
<nav {!! $at->root('menu') !!} aria-label="{{ $view->say('page.menu') }}"><ul>
@foreach ($block->items as $i => $item)
<li><a {{ $view->href($item['url']) }}{!! $at->words('title', $i) !!}>{{ $item['title'] }}</a></li>
@endforeach
</ul></nav>
@endif

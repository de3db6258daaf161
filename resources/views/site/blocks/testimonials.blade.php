<ul {!! $at->root('testimonials '.$block->style()) !!}>
@foreach ($block->items as $i => $item)
@php($picture = $view->upload($item['picture'] ?? ''))
<li><figure>
<blockquote{!! $at->words('html', $i) !!}>{{ $view->words($item['html']) }}</blockquote>
<figcaption>
@if ($picture)
<img src="{{ $picture->src() }}" srcset="{{ $picture->srcset() }}" sizes="3.5rem" width="56" height="56" alt="" loading="lazy">
@endif
<span><b{!! $at->words('name', $i) !!}>{{ $item['name'] }}</b>@if ($item['role'] !== '' || $view->editing())<span class="role"{!! $at->words('role', $i) !!}>{{ $item['role'] }}</span>@endif</span>
</figcaption>
</figure></li>
@endforeach
</ul>

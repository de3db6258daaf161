@php
    use Lantern\Core\Emails\MergeFields;
    $address = $view->shared($block->field('url'));
    // Whoever it is sent to is not who reads the page: what would be the reader's own is left to its fallback.
    $plain = fn (string $words): string => MergeFields::replace($words, fn (string $name, string $fallback): string => $fallback);
    $message = $plain($block->field('message'));
    $subject = $plain($page->document->headline() ?: $plan->sender->business);
@endphp
<div {!! $at->root('share '.$block->style()) !!} role="group" data-address="{{ $address }}" data-message="{{ $message }}">
<p class="share-words"{!! $at->words('text') !!}>{{ $block->field('text') }}</p>
<p class="share-ways">
<button type="button" class="button" data-way="device" hidden>{{ $view->say('page.share') }}</button>
<button type="button" class="button" data-way="copy" data-done="{{ $view->say('page.copied') }}"@unless ($view->editing()) hidden @endunless>{{ $view->say('page.copy') }}</button>
<a class="button" data-way="email" @unless ($view->editing()) href="mailto:?subject={{ rawurlencode($subject) }}&amp;body={{ rawurlencode(trim("{$message}\n\n")."\n") }}{{ $view->shared($block->field('url'), true) }}" @endunless>{{ $view->say('page.email') }}</a>
</p>
@unless ($view->editing())
<p class="share-address small"{{ $view->leftToRight() }}>{{ $address }}</p>
@endunless
</div>

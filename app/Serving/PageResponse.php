<?php

declare(strict_types=1);

namespace App\Serving;

use App\Files\FileLinks;
use App\Forms\FormToken;
use App\Models\Delivery;
use App\Models\Submission;
use App\Rendering\PageRenderer;
use App\Rendering\SiteAssets;
use App\Rendering\Slots;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\People\FieldKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** A rendered page with its slots filled for one visitor. */
final readonly class PageResponse
{
    public const JOINED = 'lantern_joined';

    /** Address parameters that say where a visitor came from. */
    private const SOURCE = ['utm_source', 'utm_medium', 'utm_campaign', 'utm_term', 'utm_content', 'ref'];

    /** The renderer is made only for pages of an earlier release: all others are drawn already. */
    public function __construct(private Container $container)
    {
    }

    /**
     * @param  array<string, string|list<string>>  $typed  what was typed, by field, to be kept
     * @param  array<string, string>  $errors  by field; `form` for the form as a whole
     */
    public function of(LivePage $live, Request $request, array $typed = [], array $errors = [], int $status = 200): Response
    {
        $submission = $this->submission($live, $request);
        $plan = $live->version->plan();
        $fill = ['token' => FormToken::issue($live->page->id), 'source' => e($this->source($request, $plan, $live->page)), 'site' => e(url('/')),
            'here' => e("/{$live->funnel->address}".($live->page->address === '' ? '' : "/{$live->page->address}")),
            'code:head' => $live->page->settings->head, 'code:end' => $live->page->settings->bodyEnd,
            'head' => SiteAssets::head(SiteAssets::looksOf($plan, $live->page), SiteAssets::groupsOf($live->page), true)] + $this->downloads($live, $submission);
        foreach ($plan->pages as $page) {
            $fill["page:{$page->id}"] = "/{$live->funnel->address}".($page->address === '' ? '' : "/{$page->address}");
        }
        $fill += self::keep($plan, $live->page, $typed);
        $step = ($typed['step'] ?? '') === '2' || $request->query('step') === '2';
        if ($step && $submission !== null) {
            $fill["at:{$submission->form_id}"] = 'at-2';
        }
        foreach ($errors as $field => $message) {
            if ($field === 'form') {
                $fill['errors'] = '<p class="error summary" role="alert">'.e($message).'</p>';

                continue;
            }
            $fill["error:{$field}"] = '<span class="error" id="e-'.$field.'">'.e($message).'</span>';
            $fill["invalid:{$field}"] = 'aria-invalid="true" aria-describedby="e-'.$field.'"'.($field === array_key_first($errors) ? ' autofocus' : '');
        }
        $drawn = $live->version->drawn_by === PageRenderer::REVISION ? $live->version->rendered[$live->page->id] ?? ''
            : $this->container->make(PageRenderer::class)->forVisitors($plan, $live->page, $live->funnel->business);
        $html = Slots::fill($drawn, $fill, array_map(fn (string $v): string => str_replace("\n", ', ', $v), $submission->answers ?? []) + $this->parameters($plan, $request));

        $headers = SiteHeaders::of($live->page, $live->funnel->business) + ['Cache-Control' => 'private, no-cache', 'Vary' => 'Accept-Encoding'];
        // Packed here, so that it is small whatever server stands in front.
        if (in_array('gzip', $request->getEncodings(), true) && ($packed = gzencode($html, 6)) !== false) {
            return new Response($packed, $status, $headers + ['Content-Encoding' => 'gzip']);
        }

        return new Response($html, $status, $headers);
    }

    /**
     * What was posted as far as it is words, to be shown again.
     *
     * @param  array<array-key, mixed>  $posted
     * @return array<string, string|list<string>>
     */
    public static function typed(array $posted): array
    {
        $isText = fn (mixed $v): bool => is_string($v) && mb_check_encoding($v, 'UTF-8') && mb_strlen($v) <= 6000;
        $typed = [];
        foreach ($posted as $name => $value) {
            if (is_array($value)) {
                $typed[(string) $name] = array_values(array_filter(array_slice($value, 0, 60), $isText));
            } elseif ($isText($value)) {
                $typed[(string) $name] = $value;
            }
        }

        return $typed;
    }

    /**
     * @param  array<string, string|list<string>>  $typed
     * @return array<string, string> the fields of the page's forms as they were filled in
     */
    private static function keep(Plan $plan, PagePlan $page, array $typed): array
    {
        $fill = [];
        foreach ($typed as $field => $value) {
            if (is_string($value)) {
                $fill["value:{$field}"] = e($value);
            }
        }
        foreach (['consent', 'marketing'] as $box) {
            if (($typed[$box] ?? '') === 'yes') {
                $fill[$box] = 'checked';
            }
        }
        foreach (self::formsOn($plan, $page) as $form) {
            foreach ($form->fields as $field) {
                foreach ($field->kind === FieldKind::Consent ? ['yes'] : $field->options as $i => $option) {
                    if (in_array($option, (array) ($typed[$field->key()] ?? []), true)) {
                        $fill["pick:{$field->key()}-{$i}"] = $field->kind === FieldKind::Choice && count($field->options) > FieldKind::MOST_ROWS ? 'selected' : 'checked';
                    }
                }
            }
        }

        return $fill;
    }

    /** @return list<FormPlan> */
    private static function formsOn(Plan $plan, PagePlan $page): array
    {
        return array_values(array_filter(array_map(fn (Block $b): ?FormPlan => $plan->form($b->field('form')), $page->document->blocksOf(BlockKind::Form)), fn (?FormPlan $f): bool => $f !== null));
    }

    /** @return array<string, string> what the address gave for the hidden fields of a form, as the form carried it along */
    public static function parametersOf(FormPlan $form, mixed $carried): array
    {
        return self::readSource($carried, self::wanted([$form]));
    }

    /**
     * @param  list<FormPlan>  $forms
     * @return list<string> names of address parameters that hidden fields ask for
     */
    private static function wanted(array $forms): array
    {
        $names = [];
        foreach ($forms as $form) {
            foreach ($form->fields as $field) {
                if ($field->parameter !== '') {
                    $names[] = $field->parameter;
                }
            }
        }

        return $names;
    }

    /**
     * Address parameters that the owner lets onto their pages.
     *
     * @return array<string, string> plain text by name
     */
    private function parameters(Plan $plan, Request $request): array
    {
        $values = [];
        foreach ($plan->parameters as $name) {
            $value = $request->query($name);
            if (is_string($value) && mb_check_encoding($value, 'UTF-8')) {
                $values[$name] = mb_substr((string) preg_replace('/[\p{C}]+/u', ' ', $value), 0, 100);
            }
        }

        return $values;
    }

    /** Greets with what was typed on this very device, never with what is known of that address. */
    private function submission(LivePage $live, Request $request): ?Submission
    {
        $id = $request->cookie(self::JOINED);

        return is_string($id) ? Submission::query()->where('id', $id)->where('funnel_id', $live->funnel->id)->first() : null;
    }

    /** @return array<string, string> the download button of each lead magnet, or what to do to get it */
    private function downloads(LivePage $live, ?Submission $submission): array
    {
        $fill = [];
        foreach ($live->page->document->blocksOf(BlockKind::Download) as $block) {
            $leadMagnet = $live->version->plan()->leadMagnet($block->field('leadMagnet'));
            if ($leadMagnet === null) {
                continue;
            }
            $delivery = $submission === null ? null : Delivery::query()->where('person_id', $submission->person_id)
                ->where('lead_magnet_id', $leadMagnet->id)->whereNull('revoked_at')->first();
            $fill["download:{$leadMagnet->id}"] = $delivery === null
                ? '<a class="button" href="/'.e($live->funnel->address).'">'.e('Tell me where to send it').'</a>'
                : '<a class="button" href="'.e(FileLinks::forPage($delivery, $leadMagnet->fileName)).'" download>'.e($block->field('text')).'</a> <span class="file-note">'.e($leadMagnet->kindAndSize()).'</span>';
        }

        return $fill;
    }

    /** What the form carries along: from the address, or from the form itself when it is shown again. */
    private function source(Request $request, Plan $plan, PagePlan $page): string
    {
        return http_build_query(self::readSource($request->isMethod('POST') ? $request->input('source') : $request->server('QUERY_STRING'), self::wanted(self::formsOn($plan, $page))));
    }

    /**
     * @param  list<string>  $more  names of parameters beside those that say where somebody came from
     * @return array<string, string> where the visitor came from, as the form carried it along
     */
    public static function readSource(mixed $carried, array $more = []): array
    {
        if (! is_string($carried) || strlen($carried) > 2000) {
            return [];
        }
        parse_str($carried, $query);
        $source = [];
        foreach ([...self::SOURCE, ...$more] as $key) {
            $value = $query[$key] ?? '';
            if (is_string($value) && $value !== '' && mb_check_encoding($value, 'UTF-8')) {
                $source[$key] = mb_substr($value, 0, 100);
            }
        }

        return $source;
    }
}

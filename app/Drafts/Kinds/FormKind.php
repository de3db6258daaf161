<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Languages\ConfirmSaid;
use App\Languages\SiteVoice;
use App\Languages\Voices;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\CalledAddress;
use App\Support\Ids;
use App\Support\RichText;
use Lantern\Core\Forms\FormField;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Parts\Part;
use Lantern\Core\People\FieldKind;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\Webinar;

final class FormKind extends DraftKind
{
    public function part(): string
    {
        return FormPlan::class;
    }

    public function list(): string
    {
        return 'forms';
    }

    public function typed(): array
    {
        return ['name', 'fields', 'button', 'consent', 'consentRequired', 'tags', 'marketing', 'doubleOptIn', 'confirm', 'done', 'notice',
            'hook', 'nextButton', 'webinar'];
    }

    protected function renamed(array $typed): array
    {
        return isset($typed['confirmWords']) ? ['confirm' => $typed['confirmWords']] + $typed : $typed;
    }

    public function cleaned(Part $part, Business $business): Part
    {
        $form = $part->toArray();
        foreach (['name', 'button', 'consent', 'marketing', 'done', 'nextButton'] as $words) {
            if (is_string($form[$words] ?? null)) {
                $form[$words] = RichText::plain($form[$words]);
            }
        }
        if (is_array($form['confirm'] ?? null)) {
            $form['confirm'] = (isset($form['confirm']['body']) ? ['body' => RichText::email((string) $form['confirm']['body'])->html] : [])
                + array_map(fn (mixed $w): mixed => is_string($w) ? RichText::plain($w) : $w, $form['confirm']);
        }

        return FormPlan::fromShape(Shape::of($form));
    }

    /** Words for confirming that are the application's own are not kept: they come with the language. */
    public function changed(DraftPart $row, array $typed): Part
    {
        $part = parent::changed($row, $typed);

        return $part instanceof FormPlan ? $part->with(ConfirmSaid::own($part->confirm, self::voice($row))) : $part;
    }

    private static function voice(DraftPart $row): SiteVoice
    {
        return Voices::of($row->funnel->language, $row->funnel->business, OwnPhrases::of($row->funnel->phrases));
    }

    protected function check(DraftPart $row, Part $part): void
    {
        $webinar = $part instanceof FormPlan ? $part->webinar : '';
        $was = $row->part();
        $hook = $part instanceof FormPlan ? $part->hook : '';
        if ($hook !== '' && (! $was instanceof FormPlan || $was->hook !== $hook)) {
            CalledAddress::check($hook, 'hook');
        }
        if ($webinar !== '' && (! $was instanceof FormPlan || $was->webinar !== $webinar)
            && $row->funnel->parts()->where('kind', Webinar::kind())->where('id', $webinar)->doesntExist()) {
            throw Invalid::at('webinar', 'This webinar is not in this funnel any more. Please choose again.');
        }
    }

    /** Another form: an email field, and the consent words of the first form there is. */
    public function fresh(Funnel $funnel, array $typed): Part
    {
        $forms = $funnel->parts->where('kind', FormPlan::kind());
        $first = $forms->first();

        return new FormPlan(Ids::next(), 'Form '.($forms->count() + 1), [new FormField(FieldKind::Email, 'Email address', true)], 'Send',
            $first?->text('consent') ?? '', false, []);
    }

    public function json(DraftPart $row, Part $part): array
    {
        // All of it, whether the owner has made it their own or not.
        return $part instanceof FormPlan ? $part->toArray()
            + ['marketing' => '', 'doubleOptIn' => false, 'done' => '', 'notice' => 'never', 'hook' => '', 'nextButton' => '',
                'webinar' => '']
            + ['confirmWords' => get_object_vars(ConfirmSaid::whole($part->confirm, self::voice($row)))] : [];
    }
}

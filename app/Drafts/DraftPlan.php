<?php

declare(strict_types=1);

namespace App\Drafts;

use App\Models\Business;
use App\Models\Email;
use App\Models\Form;
use App\Models\Funnel;
use App\Models\LeadMagnet;
use App\Models\Page;
use App\Models\Sequence;
use App\Models\SharedSection;
use App\Models\Way;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Emails\MergeFields;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\LookChanges;
use Lantern\Core\Page\Section;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\LeadMagnet as LeadMagnetPlan;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\PageSettings;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Way as WayPlan;
use Lantern\Core\Rules\Group;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\Shape;

/** A funnel's draft: rows in the database on one side, one plan in the core's words on the other. */
final class DraftPlan
{
    /** The plan as it would go live: shared sections stand in the pages that show them. */
    public static function read(Funnel $funnel): Plan
    {
        $funnel->loadMissing(['business', 'pages.ways', 'forms', 'emails', 'leadMagnets.upload', 'sharedSections', 'sequences']);
        $shared = self::sharedSections($funnel);

        return new Plan(
            $funnel->id, $funnel->name, Goal::from($funnel->goal), $funnel->address, $funnel->look,
            LookChanges::fromShape(Shape::of($funnel->look_changes)),
            $funnel->business->sender(),
            array_values($funnel->pages->map(fn (Page $page): PagePlan => self::page($page, $shared))->all()),
            array_values($funnel->pages->flatMap(fn (Page $page) => $page->ways->map(self::way(...)))->all()),
            array_values($funnel->forms->map(self::form(...))->all()),
            array_values($funnel->emails->map(self::email(...))
                ->sortBy(fn (EmailPlan $e): int => $e->delay->offset())->all()),
            array_values($funnel->leadMagnets->map(self::leadMagnet(...))->all()),
            $funnel->logo, $funnel->icon,
            MergeFields::ownFields(Shape::of($funnel->fields)),
            MergeFields::parameterNames($funnel->parameters),
            $funnel->sharedSections->mapWithKeys(fn (SharedSection $s): array => [$s->id => $s->name])->all(),
            array_values($funnel->sequences->map(self::sequence(...))->all()),
        );
    }

    /** @return array<string, Section> by the id of the shared section */
    public static function sharedSections(Funnel $funnel): array
    {
        return $funnel->sharedSections->mapWithKeys(fn (SharedSection $s): array => [$s->id => Section::fromShape(Shape::of($s->section))])->all();
    }

    /** @param  array<string, Section>  $shared */
    public static function page(Page $page, array $shared = []): PagePlan
    {
        return new PagePlan($page->id, PageRole::from($page->role), $page->name, $page->address,
            Document::fromArray($page->document)->withShared($shared), PageSettings::fromShape(Shape::of($page->settings)));
    }

    public static function form(Form $form): FormPlan
    {
        return FormPlan::fromShape(Shape::of(['id' => $form->id, 'name' => $form->name] + $form->definition));
    }

    public static function email(Email $email): EmailPlan
    {
        return new EmailPlan($email->id, $email->name, $email->subject, $email->body, Delay::fromShape(Shape::of($email->delay)),
            $email->sequence_id ?? '', $email->only === null ? Group::everybody() : Group::fromArray($email->only));
    }

    public static function sequence(Sequence $sequence): SequencePlan
    {
        return SequencePlan::fromShape(Shape::of(['id' => $sequence->id, 'name' => $sequence->name] + $sequence->definition));
    }

    public static function leadMagnet(LeadMagnet $leadMagnet): LeadMagnetPlan
    {
        $upload = $leadMagnet->upload;

        return $upload === null
            ? new LeadMagnetPlan($leadMagnet->id, $leadMagnet->title)
            : new LeadMagnetPlan($leadMagnet->id, $leadMagnet->title, $upload->id, $upload->name, $upload->mime, $upload->bytes);
    }

    public static function way(Way $way): WayPlan
    {
        $outcome = Outcome::from($way->outcome);

        return $way->to_url === null
            ? WayPlan::toPage($way->page_id, $outcome, (string) $way->to_page)
            : WayPlan::outside($way->page_id, $outcome, $way->to_url);
    }

    /** Writes a new draft, whole or not at all. */
    public static function store(Plan $plan, Business $business): Funnel
    {
        return DB::transaction(function () use ($plan, $business): Funnel {
            $funnel = Funnel::query()->create([
                'id' => $plan->id, 'business_id' => $business->id, 'name' => $plan->name, 'goal' => $plan->goal->value,
                'address' => $plan->address, 'look' => $plan->lookId, 'look_changes' => $plan->changes->toArray(),
                'logo' => $plan->logo, 'icon' => $plan->icon, 'fields' => $plan->fields, 'parameters' => $plan->parameters,
            ]);
            foreach ($plan->leadMagnets as $leadMagnet) {
                LeadMagnet::query()->create(['id' => $leadMagnet->id, 'funnel_id' => $plan->id, 'title' => $leadMagnet->title, 'upload_id' => $leadMagnet->file]);
            }
            foreach ($plan->forms as $form) {
                Form::query()->create(['id' => $form->id, 'funnel_id' => $plan->id, 'name' => $form->name, 'definition' => self::definition($form)]);
            }
            foreach ($plan->sequences as $sequence) {
                Sequence::query()->create(['id' => $sequence->id, 'funnel_id' => $plan->id, 'name' => $sequence->name, 'definition' => self::definition($sequence)]);
            }
            foreach ($plan->emails as $email) {
                Email::query()->create(['id' => $email->id, 'funnel_id' => $plan->id, 'name' => $email->name,
                    'subject' => $email->subject, 'body' => $email->body, 'delay' => $email->delay->toArray(),
                    'sequence_id' => $email->sequence === '' ? null : $email->sequence, 'only' => $email->only->isEverybody() ? null : $email->only->toArray()]);
            }
            foreach (self::sharedIn($plan) as $id => $section) {
                SharedSection::query()->create(['id' => $id, 'funnel_id' => $plan->id, 'name' => $plan->shared[$id] ?? $section->kind->label(), 'section' => $section->toArray()]);
            }
            foreach ($plan->pages as $position => $page) {
                Page::query()->create(['id' => $page->id, 'funnel_id' => $plan->id, 'role' => $page->role->value, 'name' => $page->name,
                    'address' => $page->address, 'position' => $position, 'document' => self::asStored($page->document)->toArray(), 'settings' => $page->settings->toArray()]);
            }
            foreach ($plan->ways as $way) {
                Way::query()->create(['page_id' => $way->page, 'outcome' => $way->outcome->value, 'to_page' => $way->toPage, 'to_url' => $way->toUrl]);
            }

            return $funnel;
        });
    }

    /** @return array<string, mixed> what is stored of a form or a sequence beside its id and name */
    public static function definition(FormPlan|SequencePlan $part): array
    {
        return array_diff_key($part->toArray(), ['id' => 0, 'name' => 0]);
    }

    /** A page's document as its row keeps it: a shared section's blocks stand with the shared section alone. */
    public static function asStored(Document $document): Document
    {
        return $document->with(array_map(fn (Section $s): Section => $s->shared === null ? $s : $s->with([]), $document->sections));
    }

    /** @return array<string, Section> the shared sections that a plan's pages show, by id */
    private static function sharedIn(Plan $plan): array
    {
        $found = [];
        foreach ($plan->pages as $page) {
            foreach ($page->document->sections as $section) {
                if ($section->shared !== null) {
                    $found[$section->shared] ??= $section->unshared($section->id);
                }
            }
        }

        return $found;
    }
}

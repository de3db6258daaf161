<?php

declare(strict_types=1);

namespace App\Funnels;

use App\Models\Business;
use App\Models\Email;
use App\Models\Form;
use App\Models\Funnel;
use App\Models\LeadMagnet;
use App\Models\Page;
use App\Models\Way;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Email\Delay;
use Lantern\Core\Email\EmailPlan;
use Lantern\Core\Funnel\FormPlan;
use Lantern\Core\Funnel\Goal;
use Lantern\Core\Funnel\LeadMagnet as LeadMagnetPlan;
use Lantern\Core\Funnel\Outcome;
use Lantern\Core\Funnel\PagePlan;
use Lantern\Core\Funnel\PageRole;
use Lantern\Core\Funnel\Plan;
use Lantern\Core\Funnel\Way as WayPlan;
use Lantern\Core\Page\Colour;
use Lantern\Core\Page\Document;
use Lantern\Core\Support\Shape;

/** A funnel's draft: rows in the database on one side, one plan in the core's words on the other. */
final class DraftPlan
{
    public static function read(Funnel $funnel): Plan
    {
        $funnel->loadMissing(['business', 'pages.ways', 'forms', 'emails', 'leadMagnets.upload']);

        return new Plan(
            $funnel->id, $funnel->name, Goal::from($funnel->goal), $funnel->address, $funnel->look,
            $funnel->accent === null ? null : Colour::of($funnel->accent),
            $funnel->business->sender(),
            array_values($funnel->pages->map(self::page(...))->all()),
            array_values($funnel->pages->flatMap(fn (Page $page) => $page->ways->map(self::way(...)))->all()),
            array_values($funnel->forms->map(self::form(...))->all()),
            array_values($funnel->emails->map(self::email(...))
                ->sortBy(fn (EmailPlan $e): int => $e->delay->offset())->all()),
            array_values($funnel->leadMagnets->map(self::leadMagnet(...))->all()),
        );
    }

    public static function page(Page $page): PagePlan
    {
        return new PagePlan($page->id, PageRole::from($page->role), $page->name, $page->address, Document::fromArray($page->document));
    }

    public static function form(Form $form): FormPlan
    {
        return FormPlan::fromShape(Shape::of(['id' => $form->id, 'name' => $form->name] + $form->definition));
    }

    public static function email(Email $email): EmailPlan
    {
        return new EmailPlan($email->id, $email->name, $email->subject, $email->body, Delay::fromShape(Shape::of($email->delay)));
    }

    public static function leadMagnet(LeadMagnet $leadMagnet): LeadMagnetPlan
    {
        $upload = $leadMagnet->upload;

        return $upload === null
            ? new LeadMagnetPlan($leadMagnet->id, $leadMagnet->title)
            : new LeadMagnetPlan($leadMagnet->id, $leadMagnet->title, $upload->id, $upload->name, $upload->mime, $upload->bytes);
    }

    /** Writes a new draft, whole or not at all. */
    public static function store(Plan $plan, Business $business): Funnel
    {
        return DB::transaction(function () use ($plan, $business): Funnel {
            $funnel = Funnel::query()->create([
                'id' => $plan->id, 'business_id' => $business->id, 'name' => $plan->name, 'goal' => $plan->goal->value,
                'address' => $plan->address, 'look' => $plan->lookId, 'accent' => $plan->accent?->hex(),
            ]);
            foreach ($plan->leadMagnets as $leadMagnet) {
                LeadMagnet::query()->create(['id' => $leadMagnet->id, 'funnel_id' => $plan->id, 'title' => $leadMagnet->title, 'upload_id' => $leadMagnet->file]);
            }
            foreach ($plan->forms as $form) {
                Form::query()->create(['id' => $form->id, 'funnel_id' => $plan->id, 'name' => $form->name, 'definition' => self::definition($form)]);
            }
            foreach ($plan->emails as $email) {
                Email::query()->create(['id' => $email->id, 'funnel_id' => $plan->id, 'name' => $email->name,
                    'subject' => $email->subject, 'body' => $email->body, 'delay' => $email->delay->toArray()]);
            }
            foreach ($plan->pages as $position => $page) {
                Page::query()->create(['id' => $page->id, 'funnel_id' => $plan->id, 'role' => $page->role->value, 'name' => $page->name,
                    'address' => $page->address, 'position' => $position, 'document' => $page->document->toArray()]);
            }
            foreach ($plan->ways as $way) {
                Way::query()->create(['page_id' => $way->page, 'outcome' => $way->outcome->value, 'to_page' => $way->toPage, 'to_url' => $way->toUrl]);
            }

            return $funnel;
        });
    }

    /** @return array<string, mixed> what is stored of a form beside its id and name */
    public static function definition(FormPlan $form): array
    {
        return array_diff_key($form->toArray(), ['id' => 0, 'name' => 0]);
    }

    private static function way(Way $way): WayPlan
    {
        $outcome = Outcome::from($way->outcome);

        return $way->to_url === null
            ? WayPlan::toPage($way->page_id, $outcome, (string) $way->to_page)
            : WayPlan::outside($way->page_id, $outcome, $way->to_url);
    }
}

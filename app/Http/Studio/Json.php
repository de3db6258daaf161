<?php

declare(strict_types=1);

namespace App\Http\Studio;

use App\Funnels\DraftPlan;
use App\Models\Email;
use App\Models\Form;
use App\Models\Funnel;
use App\Models\LeadMagnet;
use App\Models\Message;
use App\Models\Page;
use App\Models\Upload;
use App\Models\Version;
use App\Support\Instant;
use Lantern\Core\Funnel\Outcome;
use Lantern\Core\Funnel\PageRole;
use Lantern\Core\Page\Look;
use Lantern\Core\Page\Looks;

/** The shapes the Studio's script reads; `resources/studio/api/types.ts` names the same. */
final class Json
{
    /** @return list<array<string, mixed>> */
    public static function looks(): array
    {
        return array_values(array_map(fn (Look $l): array => ['id' => $l->id, 'name' => $l->name, 'headingFont' => $l->headingFont,
            'headingWeight' => $l->headingWeight, 'bodyFont' => $l->bodyFont, 'corner' => $l->corner, 'colours' => $l->coloursOn()], Looks::all()));
    }

    /** @return array<string, mixed> */
    public static function page(Page $page): array
    {
        $role = PageRole::from($page->role);

        return ['id' => $page->id, 'role' => $page->role, 'roleLabel' => $role->label(), 'name' => $page->name, 'address' => $page->address,
            'headline' => DraftPlan::page($page)->document->headline(),
            'outcomes' => array_map(fn (Outcome $o): array => ['outcome' => $o->value, 'label' => $o->label()], $role->outcomes()),
            'document' => $page->document, 'revision' => $page->revision];
    }

    /** @return array<string, mixed> */
    public static function form(Form $form): array
    {
        return ['id' => $form->id, 'name' => $form->name, 'revision' => $form->revision] + $form->definition;
    }

    /** @return array<string, mixed> */
    public static function email(Email $email): array
    {
        $delay = DraftPlan::email($email)->delay;

        return ['id' => $email->id, 'name' => $email->name, 'subject' => $email->subject, 'body' => $email->body, 'delay' => (object) $email->delay,
            'offset' => $delay->offset(), 'delayLabel' => $delay->label(), 'revision' => $email->revision];
    }

    /** @return array<string, mixed> */
    public static function leadMagnet(LeadMagnet $leadMagnet): array
    {
        $upload = $leadMagnet->upload;

        return ['id' => $leadMagnet->id, 'title' => $leadMagnet->title, 'revision' => $leadMagnet->revision,
            'file' => $upload === null ? null : ['id' => $upload->id, 'name' => $upload->name, 'note' => DraftPlan::leadMagnet($leadMagnet)->kindAndSize()]];
    }

    /** @return array<string, mixed> */
    public static function version(Version $version, Funnel $funnel): array
    {
        return ['id' => $version->id, 'number' => $version->number, 'note' => $version->note,
            'publishedAt' => Instant::json($version->published_at), 'live' => $funnel->live_version_id === $version->id && $funnel->state === 'live'];
    }

    /** @return array<string, mixed> */
    public static function picture(Upload $picture): array
    {
        return ['id' => $picture->id, 'name' => $picture->name, 'src' => $picture->src(), 'width' => $picture->width, 'height' => $picture->height];
    }

    /** @return array<string, mixed> a message in a list, without its words */
    public static function message(Message $message): array
    {
        return ['id' => $message->id, 'name' => $message->name, 'kind' => $message->kind, 'to' => $message->to_address, 'subject' => $message->subject,
            'state' => $message->state, 'dueAt' => Instant::json($message->due_at), 'sentAt' => Instant::json($message->sent_at),
            'trouble' => $message->trouble, 'attempts' => $message->attempts, 'personId' => $message->person_id, 'funnelId' => $message->funnel_id];
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Studio;

use App\Drafts\DraftPlan;
use App\Models\Email;
use App\Models\Form;
use App\Models\Funnel;
use App\Models\LeadMagnet;
use App\Models\Message;
use App\Models\Page;
use App\Models\Sequence;
use App\Models\SharedSection;
use App\Models\Upload;
use App\Models\Version;
use App\Rendering\Icons;
use App\Support\Instant;
use Lantern\Core\Emails\MergeFields;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Page\Arrangement;
use Lantern\Core\Page\Block\BlockFields;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Design\Design;
use Lantern\Core\Page\Design\Designs;
use Lantern\Core\Page\Design\PageDesigns;
use Lantern\Core\Page\Look\Fonts;
use Lantern\Core\Page\Look\Look;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Page\SectionKind;
use Lantern\Core\Plan\PageRole;

/** The shapes the Studio's script reads; `resources/studio/api/types.ts` names the same. */
final class Json
{
    /** @return list<array<string, mixed>> */
    public static function looks(): array
    {
        return array_values(array_map(fn (Look $l): array => ['id' => $l->id, 'name' => $l->name, 'headingFont' => $l->headingFont,
            'headingWeight' => $l->headingWeight, 'bodyFont' => $l->bodyFont, 'corner' => $l->corner, 'frame' => $l->frame, 'colours' => $l->coloursOn()], Looks::all()));
    }

    /** @return array<string, mixed> what pages can be made of, in the words of the core */
    public static function kit(): array
    {
        $named = fn (array $cases): array => array_map(fn ($case): array => ['id' => $case->value, 'label' => $case->label()], $cases);

        return [
            'designs' => array_values(array_map(fn (Design $d): array => ['id' => $d->id, 'kind' => $d->kind->value, 'name' => $d->name, 'arrangement' => $d->arrangement->value,
                'tone' => $d->tone, 'styles' => (object) $d->styles], Designs::all())),
            'pageDesigns' => PageDesigns::list(),
            'sections' => $named(SectionKind::cases()),
            'blocks' => array_map(fn (BlockKind $k): array => ['id' => $k->value, 'label' => $k->label(), 'fields' => array_keys(BlockFields::own($k)),
                'items' => BlockFields::items($k) === null ? null : array_keys(BlockFields::items($k)), 'styles' => BlockFields::styles($k)], BlockKind::cases()),
            'arrangements' => $named(Arrangement::cases()),
            'icons' => array_map(fn (string $i): array => ['id' => $i, 'svg' => Icons::svg($i)], BlockFields::ICONS),
            'roles' => $named(PageRole::cases()),
            'headingFonts' => array_keys(Fonts::HEADING),
            'bodyFonts' => Fonts::BODY,
            'personFields' => MergeFields::PERSON,
            'ownerFields' => MergeFields::OWNER,
        ];
    }

    /** @return array<string, mixed> */
    public static function page(Page $page): array
    {
        $role = PageRole::from($page->role);

        return ['id' => $page->id, 'role' => $page->role, 'roleLabel' => $role->label(), 'name' => $page->name, 'address' => $page->address,
            'headline' => DraftPlan::page($page)->document->headline(),
            'outcomes' => self::outcomes($role, DraftPlan::page($page)->document->blocksOf(BlockKind::Form) !== []),
            // Always in today's format, whatever it was written in.
            'document' => DraftPlan::page($page)->document->toArray(), 'settings' => (object) $page->settings, 'revision' => $page->revision];
    }

    /** @return list<array{outcome: string, label: string, who: string, must: bool}> what may lead somewhere, and what must */
    private static function outcomes(PageRole $role, bool $hasForm): array
    {
        $outcomes = $role->possibleOutcomes();
        if ($hasForm && ! in_array(Outcome::Joined, $outcomes, true)) {
            array_unshift($outcomes, Outcome::Joined);
        }

        return array_map(fn (Outcome $o): array => ['outcome' => $o->value, 'label' => $o->label(), 'who' => $o->whoFirst(),
            'must' => in_array($o, $role->outcomes(), true) || $o === Outcome::Joined], $outcomes);
    }

    /** @return array<string, mixed> */
    public static function sharedSection(SharedSection $shared): array
    {
        return ['id' => $shared->id, 'name' => $shared->name, 'section' => $shared->section, 'revision' => $shared->revision];
    }

    /** @return array<string, mixed> */
    public static function form(Form $form): array
    {
        $plan = DraftPlan::form($form);

        // All of it, whether the owner has made it their own or not.
        return ['id' => $form->id, 'name' => $form->name, 'revision' => $form->revision] + $plan->toArray()
            + ['marketing' => '', 'doubleOptIn' => false, 'done' => '', 'notice' => 'never', 'hook' => '', 'nextButton' => '']
            + ['confirmWords' => get_object_vars($plan->confirm)];
    }

    /** @return array<string, mixed> */
    public static function email(Email $email): array
    {
        $delay = DraftPlan::email($email)->delay;

        return ['id' => $email->id, 'name' => $email->name, 'subject' => $email->subject, 'body' => $email->body, 'delay' => (object) $email->delay,
            'offset' => $delay->offset(), 'delayLabel' => $delay->label(), 'sequence' => $email->sequence_id ?? '', 'only' => DraftPlan::email($email)->only->toArray(),
            'revision' => $email->revision];
    }

    /** @return array<string, mixed> */
    public static function sequence(Sequence $sequence): array
    {
        $plan = DraftPlan::sequence($sequence);

        return ['id' => $sequence->id, 'name' => $sequence->name, 'starts' => $plan->starts->toArray(), 'ends' => $plan->ends->toArray(),
            'again' => $plan->again, 'byReader' => $plan->byReader, 'window' => $plan->window->isAlways() ? null : $plan->window->toArray(), 'windowLabel' => $plan->window->label(),
            'paused' => $sequence->paused_at !== null, 'pausedAt' => Instant::json($sequence->paused_at), 'revision' => $sequence->revision];
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
        return ['id' => $picture->id, 'name' => $picture->name, 'src' => $picture->src(), 'width' => $picture->width, 'height' => $picture->height,
            'bytes' => $picture->bytes];
    }

    /** @return array<string, mixed> a message in a list, without its words */
    public static function message(Message $message): array
    {
        return ['id' => $message->id, 'name' => $message->name, 'kind' => $message->kind, 'to' => $message->to_address, 'subject' => $message->subject,
            'state' => $message->state, 'dueAt' => Instant::json($message->due_at), 'sentAt' => Instant::json($message->sent_at),
            'trouble' => $message->trouble, 'attempts' => $message->attempts, 'personId' => $message->person_id, 'funnelId' => $message->funnel_id,
            'openedAt' => Instant::json($message->opened_at), 'clickedAt' => Instant::json($message->clicked_at), 'lostWhy' => $message->lost_why];
    }
}

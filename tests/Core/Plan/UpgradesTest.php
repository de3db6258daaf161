<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use Lantern\Core\Checks\GoLiveCheck;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Upgrades;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\Invalid;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Plans as earlier releases wrote them, one kept file for each format, are read as what they were. */
final class UpgradesTest extends TestCase
{
    /** @return array<string, mixed> */
    private static function kept(int $format): array
    {
        return json_decode((string) file_get_contents(__DIR__."/../../fixtures/plans/format-{$format}.json"), true);
    }

    /** @return iterable<string, array{int}> */
    public static function formats(): iterable
    {
        foreach (range(1, Plan::FORMAT - 1) as $format) {
            yield "format {$format}" => [$format];
        }
    }

    #[DataProvider('formats')]
    public function test_an_old_plan_is_read_and_written_in_todays_form(int $format): void
    {
        $old = self::kept($format);
        self::assertSame($format, $old['format']);
        $plan = Plan::fromArray($old);
        $written = $plan->toArray();

        self::assertSame(Plan::FORMAT, $written['format']);
        self::assertSame($written, Plan::fromArray(json_decode((string) json_encode($written), true))->toArray());
        self::assertSame(Upgrades::apply($written), $written, 'what is of today is left as it is');
        self::assertSame([], array_values(array_filter(GoLiveCheck::of($plan), fn ($f): bool => $f->blocks)), 'it can still go live');
        $of = fn (string $list, string $kind): array => $old[$list]
            ?? array_values(array_filter($old['parts'], fn (array $part): bool => $part['kind'] === $kind));
        self::assertSame(array_column($of('pages', 'page'), 'id'), array_map(fn ($p): string => $p->id, $plan->pages));
        self::assertSame(array_column($of('emails', 'email'), 'subject'),
            array_map(fn (EmailPlan $e): string => $e->subject, $plan->emails));
    }

    public function test_before_format_3_all_emails_were_one_sequence_that_every_form_started(): void
    {
        $plan = Plan::fromArray(self::kept(2));

        self::assertEquals([['id' => $plan->id, 'name' => 'Follow-up', 'starts' => [['kind' => 'form', 'form' => $plan->forms[0]->id]],
            'ends' => [['kind' => 'bought']]]],
            array_map(fn (SequencePlan $s): array => $s->toArray(), $plan->sequences));
        self::assertSame([$plan->id], array_values(array_unique(array_map(fn (EmailPlan $e): string => $e->sequence, $plan->emails))));
    }

    public function test_before_format_5_the_text_of_the_email_that_asks_for_confirmation_had_a_name_of_its_own(): void
    {
        $confirm = Plan::fromArray(self::kept(4))->forms[0]->confirm;

        self::assertSame(['title' => 'Nearly there', 'body' => '<p>From {{business}}:</p>', 'button' => 'It is me'], $confirm->toArray());
    }

    public function test_before_format_6_some_words_meant_several_things_and_an_email_had_three_fields_for_its_moment(): void
    {
        $old = self::kept(5);
        $plan = Plan::fromArray($old);
        $first = fn (string $kind): array => array_values(array_filter($old['parts'], fn (array $p): bool => $p['kind'] === $kind))[0];
        $emails = array_values(array_filter($old['parts'], fn (array $p): bool => $p['kind'] === 'email'));
        foreach ($plan->emails as $i => $email) {
            self::assertSame(match (true) {
                isset($emails[$i]['by']) => ['from' => 'deadline'] + $emails[$i]['by'],
                isset($emails[$i]['session']) => ['from' => 'session'] + $emails[$i]['session'],
                default => ['from' => 'joining'] + ($emails[$i]['delay'] ?? []),
            }, $email->writtenTiming(), $email->name);
        }
        self::assertSame(['deadline', 'joining', 'session'],
            array_values(array_unique(array_map(fn (EmailPlan $e): string => $e->writtenTiming()['from'], self::sorted($plan->emails)))));
        $rules = array_values(array_filter(array_map(fn (EmailPlan $e): array => $e->only->toArray()['rules'], $plan->emails),
            fn (array $r): bool => ($r[0]['kind'] ?? '') === 'tag'))[0];
        self::assertSame([['tag', true], ['subscription', false], ['deed', true]],
            array_map(fn (array $r): array => [$r['kind'], $r['not']], $rules));
        [$webinar, $deadline, $popup] = [$plan->webinars[0], $plan->deadlines[0], $plan->popups[0]];
        self::assertSame([$first('webinar')['manner'], $first('webinar')['bar'], $first('deadline')['lasting'], 'corner-right', 'desktop'],
            [$webinar->mode->value, $webinar->threshold->toArray(), $deadline->duration?->toArray(), $popup->frame->placement->value,
                $popup->targeting->device]);
        self::assertEqualsCanonicalizing(['One press.', 'Nearly over', ['Yes, that too', 'Yes, add the recordings to my order.'],
            ['first_name', 'email', 'short_text', 'long_text']],
            [$plan->forms[0]->confirm->text, $deadline->warning->text, array_merge([], ...array_map(fn ($o): array => array_map(
                fn ($b): string => $b->text, $o->bumps), $plan->offers)), array_map(fn ($f): string => $f->kind->value,
                    $plan->forms[0]->fields)]);
    }

    public function test_before_format_7_each_page_had_a_language_and_the_funnel_that_of_its_entry_page(): void
    {
        $plan = Plan::fromArray(self::kept(6));

        self::assertSame('de', $plan->language);
        self::assertSame(['', 'pt-BR', 'en'], array_map(fn (PagePlan $p): string => $p->settings->language,
            array_slice($plan->pages, 0, 3)));
        self::assertSame(['de', 'pt-BR', 'en'], array_map($plan->languageOf(...), array_slice($plan->pages, 0, 3)));
        self::assertSame('Anmeldung', $plan->pages[0]->settings->title);
        self::assertSame(['en', []], [Plan::fromArray(self::kept(5))->language, array_filter(array_map(
            fn (PagePlan $p): string => $p->settings->language, Plan::fromArray(self::kept(5))->pages))], 'where none was named');
    }

    /**
     * @param  list<EmailPlan>  $emails
     * @return list<EmailPlan> by what they are told from
     */
    private static function sorted(array $emails): array
    {
        usort($emails, fn (EmailPlan $a, EmailPlan $b): int => $a->writtenTiming()['from'] <=> $b->writtenTiming()['from']);

        return $emails;
    }

    public function test_before_format_4_forms_and_tags_said_what_starts_and_ends_a_sequence(): void
    {
        $old = self::kept(3);
        [$first, $second] = Plan::fromArray($old)->sequences;
        $form = $old['forms'][0]['id'];

        self::assertSame([['kind' => 'form', 'form' => $form]], $first->starts->toArray());
        self::assertSame([['kind' => 'tag', 'tag' => 'Student'], ['kind' => 'bought']], $first->ends->toArray());
        self::assertSame([['kind' => 'form', 'form' => 'form2'], ['kind' => 'tag', 'tag' => 'Student'],
            ['kind' => 'tag', 'tag' => 'Cellist']], $second->starts->toArray());
        self::assertSame([['kind' => 'form', 'form' => $form]], $second->ends->toArray(), 'it did not end with buying');
    }

    public function test_before_format_4_rules_had_other_keys_and_shared_sections_stood_on_pages_alone(): void
    {
        $old = self::kept(3);
        $plan = Plan::fromArray($old);
        $only = array_values(array_filter(array_map(fn (EmailPlan $e): array => $e->only->toArray()['rules'], $plan->emails)));

        self::assertSame(['deed', 'clicked', $old['emails'][2]['id']], [$only[0][0]['kind'], $only[0][0]['deed'], $only[0][0]['with']]);
        self::assertStringContainsString('data-only="'.htmlspecialchars('{"kind":"tag","not":true,"tag":"VIP"}').'"',
            $plan->emails[1]->body);
        self::assertSame(['Footer'], array_map(fn ($s): string => $s->name, $plan->sharedSections()),
            'what no page shows was never written');
        [$footer] = $plan->sharedSections();
        self::assertSame([$footer->id], $plan->pages[0]->document->shared());
        self::assertSame(array_map(fn ($b): string => $b->words(), $footer->section->blocks),
            array_map(fn ($b): string => $b->words(),
                $plan->pages[1]->document->sections[count($plan->pages[1]->document->sections) - 1]->blocks));
    }

    /** @return iterable<string, array{mixed}> */
    public static function none(): iterable
    {
        yield 'of tomorrow' => [['format' => Plan::FORMAT + 1]];
        yield 'of no time' => [['format' => 0]];
        yield 'words for a number' => [['format' => '3']];
        yield 'no plan' => ['plan'];
        yield 'lists that are none' => [['format' => 3, 'forms' => 'x', 'emails' => 7, 'sequences' => [7, ['endTags' => 'x']],
            'pages' => [['document' => 'x']], 'shared' => 'x'] + self::kept(3)];
    }

    #[DataProvider('none')]
    public function test_what_is_no_plan_is_refused(mixed $data): void
    {
        $this->expectException(Invalid::class);
        Plan::fromArray($data);
    }
}

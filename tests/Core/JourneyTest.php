<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Funnel\FormPlan;
use Lantern\Core\Funnel\Plan;
use Lantern\Core\Journey\AddTag;
use Lantern\Core\Journey\CancelEmails;
use Lantern\Core\Journey\DeliverFile;
use Lantern\Core\Journey\Event;
use Lantern\Core\Journey\EventType;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Journey\SendEmail;
use Lantern\Core\Journey\Visitor;
use Lantern\Core\People\Answers;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class JourneyTest extends TestCase
{
    private function plan(): Plan
    {
        return Plans::changed(fn (array $p): array => ['emails' => [...$p['emails'],
            ['id' => 'day1', 'name' => 'Day 1', 'subject' => 'x', 'body' => 'x', 'delay' => ['days' => 1, 'hour' => 9], 'sequence' => $p['sequences'][0]['id']]]] + $p);
    }

    private function joined(Plan $plan): Event
    {
        return new Event(EventType::Joined, new DateTimeImmutable('2026-06-01 10:00:00', new DateTimeZone('UTC')), $plan->pages[0]->id, $plan->forms[0]->id);
    }

    public function test_joining_leads_on_and_brings_tag_file_and_emails(): void
    {
        $plan = $this->plan();
        $decision = (new Journey($plan))->decide(new Visitor(new DateTimeZone('America/New_York')), $this->joined($plan));

        self::assertSame($plan->pages[1]->id, $decision->way?->toPage);
        self::assertEquals([new AddTag('The Twelve-Minute Practice Plan')], $decision->effectsOf(AddTag::class));
        self::assertEquals([new DeliverFile('gift')], $decision->effectsOf(DeliverFile::class));
        self::assertSame(['2026-06-01T10:00:00', '2026-06-02T13:00:00'],
            array_map(fn (SendEmail $e): string => $e->at->format('Y-m-d\TH:i:s'), $decision->effectsOf(SendEmail::class)));
    }

    public function test_joining_again_is_one_sequence_and_one_tag(): void
    {
        $plan = $this->plan();
        $visitor = new Visitor(new DateTimeZone('UTC'), array_map(fn ($e): string => $e->id, $plan->emails), ['THE twelve-minute practice plan']);
        $decision = (new Journey($plan))->decide($visitor, $this->joined($plan));

        self::assertSame([], [...$decision->effectsOf(SendEmail::class), ...$decision->effectsOf(AddTag::class)]);
        self::assertNotNull($decision->way, 'they still reach the thank-you page');
        self::assertCount(1, $decision->effectsOf(DeliverFile::class));
    }

    public function test_what_leads_nowhere(): void
    {
        $plan = $this->plan();
        $at = new DateTimeImmutable;
        $visitor = new Visitor(new DateTimeZone('UTC'));
        $journey = new Journey($plan);

        self::assertNull($journey->decide($visitor, new Event(EventType::Viewed, $at, $plan->pages[0]->id))->way);
        self::assertNull($journey->decide($visitor, new Event(EventType::Joined, $at, $plan->pages[1]->id))->way);
        self::assertSame([], $journey->decide($visitor, new Event(EventType::Downloaded, $at))->effects);
        self::assertCount(1, $journey->decide($visitor, new Event(EventType::Unsubscribed, $at))->effectsOf(CancelEmails::class));
    }

    public function test_nothing_is_handed_over_that_is_not_there(): void
    {
        $plan = Plans::giveAway(withFile: false);
        self::assertSame([], (new Journey($plan))->decide(new Visitor(new DateTimeZone('UTC')), $this->joined($plan))->effectsOf(DeliverFile::class));
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, string>}> what was posted, the errors by field */
    public static function posts(): iterable
    {
        $good = ['email' => 'robin@example.com', 'phone' => '+44 (0)20 7946-0000', 'first_name' => 'Robin', 'consent' => 'yes'];
        yield 'all is well' => [$good, []];
        yield 'nothing at all' => [[], ['first_name' => 'Please fill in: Your name.', 'email' => 'Please fill in your email address.', 'consent' => 'Please tick the box to say that you agree.']];
        yield 'lists instead of words' => [['email' => ['x'], 'first_name' => ['y']] + $good, ['first_name' => 'Please fill in: Your name.', 'email' => 'Please fill in your email address.']];
        yield 'a number with words' => [['phone' => 'call me'] + $good, ['phone' => 'A phone number holds digits, and perhaps a plus at the start.']];
        yield 'too long' => [['first_name' => str_repeat('x', 101)] + $good, ['first_name' => 'Your name is too long: 100 characters at most.']];
        yield 'consent spelled otherwise' => [['consent' => 'on'] + $good, ['consent' => 'Please tick the box to say that you agree.']];
    }

    /**
     * @param  array<string, mixed>  $post
     * @param  array<string, string>  $errors
     */
    #[DataProvider('posts')]
    public function test_what_was_filled_in_is_read_field_by_field(array $post, array $errors): void
    {
        $answers = Answers::read(self::form(), $post);

        self::assertSame($errors, $answers->errors);
        self::assertSame($errors === [], $answers->email !== null);
    }

    public function test_a_name_is_one_line_and_only_what_was_asked_for_is_kept(): void
    {
        $answers = Answers::read(self::form(), ['email' => 'robin@example.com', 'first_name' => "Robin\r\nBcc: all@example.com\u{2028} \x07 Ash", 'admin' => 'yes', 'consent' => 'yes']);

        self::assertSame(['first_name', 'email', 'phone'], array_keys($answers->values));
        self::assertSame('Robin Bcc: all@example.com Ash', $answers->values['first_name']);
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function badForms(): iterable
    {
        $good = ['id' => 'f', 'name' => 'F', 'button' => 'Go', 'fields' => [['kind' => 'email']], 'tags' => []];
        yield 'no email field' => [['fields' => [['kind' => 'phone']]] + $good];
        yield 'a field twice' => [['fields' => [['kind' => 'email'], ['kind' => 'email']]] + $good];
        yield 'an unknown field' => [['fields' => [['kind' => 'email'], ['kind' => 'password']]] + $good];
        yield 'a button without words' => [['button' => '  '] + $good];
        yield 'tags that are no list' => [['tags' => 'x'] + $good];
        yield 'a tag that is too long' => [['tags' => [str_repeat('x', 61)]] + $good];
    }

    /** @param  array<string, mixed>  $form */
    #[DataProvider('badForms')]
    public function test_a_form_that_cannot_be(array $form): void
    {
        $this->expectException(\Lantern\Core\Support\Invalid::class);
        FormPlan::fromShape(Shape::of($form));
    }

    public function test_tags_are_tidied_and_email_is_always_required(): void
    {
        $form = FormPlan::fromShape(Shape::of(['id' => 'f', 'name' => 'F', 'button' => ' Go ', 'fields' => [['kind' => 'email', 'required' => false, 'label' => '']],
            'tags' => ['  Late   starter ', 'late starter', '', 'Cello'], 'consent' => '', 'consentRequired' => true]));

        self::assertSame([['Late starter', 'Cello'], 'Go', true, 'Email address', false],
            [$form->tags, $form->button, $form->fields[0]->required, $form->fields[0]->label, $form->consentRequired]);
    }

    private static function form(): FormPlan
    {
        return FormPlan::fromShape(Shape::of(['id' => 'f', 'name' => 'F', 'button' => 'Go', 'consent' => 'Yes', 'consentRequired' => true, 'fields' => [
            ['kind' => 'first_name', 'label' => 'Your name', 'required' => true], ['kind' => 'email'], ['kind' => 'phone']]]));
    }
}

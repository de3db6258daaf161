<?php

declare(strict_types=1);

namespace Tests\Core\Journey;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Events\Trigger\PageSeen;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Experiments\Assignment;
use Lantern\Core\Forms\Answers;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Journey\Decision;
use Lantern\Core\Journey\Effects\AddTag;
use Lantern\Core\Journey\Effects\AskToConfirm;
use Lantern\Core\Journey\Effects\CallHook;
use Lantern\Core\Journey\Effects\CancelEmails;
use Lantern\Core\Journey\Effects\DeliverFile;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\SendEmail;
use Lantern\Core\Journey\Effects\StartSequence;
use Lantern\Core\Journey\Effects\StopSequence;
use Lantern\Core\Journey\Effects\TellOwner;
use Lantern\Core\Journey\Journey;
use Lantern\Core\People\State\Enrolment;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;
use Tests\English;

final class JourneyTest extends TestCase
{
    private function plan(): Plan
    {
        return Plans::changed(fn (array $p): array => ['emails' => [...$p['emails'],
            ['id' => 'day1', 'name' => 'Day 1', 'subject' => 'x', 'body' => 'x', 'timing' => ['from' => 'joining', 'days' => 1,
                'hour' => 9],
                'sequence' => $p['sequences'][0]['id']]]] + $p);
    }

    private function joined(Plan $plan): Event
    {
        return new Event(EventType::Joined, new DateTimeImmutable('2026-06-01 10:00:00', new DateTimeZone('UTC')), $plan->pages[0]->id,
            $plan->forms[0]->id);
    }

    /** @return iterable<string, array{string, string, string, string, string}> who, in which variant they are; the one they get, and the day */
    public static function timings(): iterable
    {
        yield 'the hash says the one' => ['person-3', '', 'on', 'a', '2026-06-02'];
        yield 'the hash says the other' => ['person-2', '', 'on', 'b', '2026-06-04'];
        yield 'somebody who was in it with the other' => ['person-3', 'b', 'on', 'b', '2026-06-04'];
        yield 'somebody who was in it before there was a test' => ['person-2', '-', 'on', 'b', '2026-06-04'];
        yield 'a variant there is no more' => ['person-2', 'e', 'on', 'b', '2026-06-04'];
        yield 'nobody who is known' => ['', '', 'on', '', '2026-06-02'];
        yield 'a test that is not started' => ['person-2', 'b', 'off', '', '2026-06-02'];
    }

    #[DataProvider('timings')]
    public function test_who_enters_a_sequence_in_a_split_test_of_its_timing_gets_one_and_keeps_it(string $id, string $had, string $on,
        string $gets, string $day): void
    {
        $plan = Plans::changed(function (array $p) use ($on): array {
            $sequence = ['again' => true] + $p['sequences'][0];
            $p['sequences'][0] = $sequence;
            $p['splitTests'][] = ['id' => 'test', 'name' => 'When', 'part' => $sequence['id'], 'of' => 'timing', 'on' => $on === 'on'];
            $p['variants'][] = ['id' => 'v', 'name' => 'Later', 'test' => 'test', 'letter' => 'b', 'of' => 'timing', 'timings' => [
                ['email' => 'day1', 'timing' => ['from' => 'joining', 'days' => 3, 'hour' => 9]]]];

            return $p;
        }, $this->plan());
        self::assertSame(['a', 'b'], array_map(fn (string $p): string => Assignment::of('test', $p, ['a' => 1, 'b' => 1]),
            ['person-3', 'person-2']));
        $at = new DateTimeImmutable('2026-01-01 09:00', new DateTimeZone('UTC'));
        $zone = new DateTimeZone('UTC');
        $sequence = $plan->sequences[0]->id;
        $person = new PersonState($zone, $zone, tags: [], deadlines: [], registrations: [],
            enrolments: $had === '' ? [] : [$sequence => new Enrolment($at, 1, true, $had === '-' ? '' : $had)], emails: [], id: $id);
        $decision = (new Journey($plan))->decide($person, $this->joined($plan));
        self::assertSame([$gets], array_map(fn (StartSequence $s): string => $s->variant, $decision->effectsOf(StartSequence::class)));
        $sent = array_values(array_filter($decision->effectsOf(SendEmail::class), fn (SendEmail $e): bool => $e->email === 'day1'));
        self::assertSame([$day], array_map(fn (SendEmail $e): string => $e->at->format('Y-m-d'), $sent));
        $after = array_reduce($decision->effects, fn (PersonState $p, Effect $e): PersonState => $e->appliedTo($p, $at), $person);
        self::assertSame($gets, $after->enrolments()[$sequence]->variant);
        self::assertSame($gets, $after->outOfSequences()->outOfSequence($sequence)->enrolments()[$sequence]->variant);
    }

    public function test_joining_leads_on_and_brings_tag_file_and_emails(): void
    {
        $plan = $this->plan();
        $decision = (new Journey($plan))->decide(Known::person('America/New_York'), $this->joined($plan));

        self::assertSame($plan->pages[1]->id, $decision->way?->toPage);
        self::assertEquals([new AddTag('The Twelve-Minute Practice Plan')], $decision->effectsOf(AddTag::class));
        self::assertEquals([new DeliverFile('gift')], $decision->effectsOf(DeliverFile::class));
        self::assertSame(['2026-06-01T10:00:00', '2026-06-02T13:00:00'],
            array_map(fn (SendEmail $e): string => $e->at->format('Y-m-d\TH:i:s'), $decision->effectsOf(SendEmail::class)));
    }

    public function test_a_tag_that_comes_with_joining_ends_what_it_ends_before_it_begins(): void
    {
        $plan = Plans::changed(fn (array $p): array => ['sequences' => array_map(fn (array $q): array => ['ends' => [['kind' => 'tag',
            'tag' => $p['forms'][0]['tags'][0]]]] + $q, $p['sequences'])] + $p);
        $decision = (new Journey($plan))->decide(Known::person('UTC'), $this->joined($plan));

        self::assertCount(1, $decision->effectsOf(AddTag::class));
        self::assertSame([[], []], [$decision->effectsOf(StartSequence::class), $decision->effectsOf(SendEmail::class)],
            'the first time as any later time');
        $later = (new Journey($plan))->decide(Known::person('UTC', [], [$plan->forms[0]->tags[0]]), $this->joined($plan));
        self::assertSame([], $later->effectsOf(StartSequence::class));
    }

    public function test_joining_again_is_one_sequence_and_one_tag(): void
    {
        $plan = $this->plan();
        $person = Known::person('UTC', array_map(fn ($e): string => $e->id, $plan->emails),
            ['THE twelve-minute practice plan']);
        $decision = (new Journey($plan))->decide($person, $this->joined($plan));

        self::assertSame([], [...$decision->effectsOf(SendEmail::class), ...$decision->effectsOf(AddTag::class)]);
        self::assertNotNull($decision->way, 'they still reach the thank-you page');
        self::assertCount(1, $decision->effectsOf(DeliverFile::class));
    }

    public function test_what_leads_nowhere(): void
    {
        $plan = $this->plan();
        $at = new DateTimeImmutable;
        $person = Known::person('UTC');
        $journey = new Journey($plan);

        self::assertNull($journey->decide($person, new Event(EventType::Viewed, $at, $plan->pages[0]->id))->way);
        self::assertNull($journey->decide($person, new Event(EventType::Joined, $at, $plan->pages[1]->id))->way);
        self::assertSame([], $journey->decide($person, new Event(EventType::Downloaded, $at))->effects);
        self::assertCount(1, $journey->decide($person, new Event(EventType::Unsubscribed, $at))->effectsOf(CancelEmails::class));
    }

    public function test_nothing_is_handed_over_that_is_not_there(): void
    {
        $plan = Plans::giveAway(withFile: false);
        self::assertSame([],
            (new Journey($plan))->decide(Known::person('UTC'), $this->joined($plan))->effectsOf(DeliverFile::class));
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, string>}> what was posted, the errors by field */
    public static function posts(): iterable
    {
        $good = ['email' => 'robin@example.com', 'phone' => '+44 (0)20 7946-0000', 'first_name' => 'Robin', 'consent' => 'yes'];
        yield 'all is well' => [$good, []];
        yield 'nothing at all' => [[], ['first_name' => 'Please fill in: Your name.', 'email' => 'Please fill in your email address.',
            'consent' => 'Please tick the box to say that you agree.']];
        yield 'lists instead of words' => [['email' => ['x'], 'first_name' => ['y']] + $good,
            ['first_name' => 'Please fill in: Your name.', 'email' => 'Please fill in your email address.']];
        yield 'a number with words' => [['phone' => 'call me'] + $good,
            ['phone' => 'A phone number holds digits, and perhaps a plus at the start.']];
        yield 'too long' => [['first_name' => str_repeat('x', 101)] + $good,
            ['first_name' => 'Your name is too long: 100 characters at most.']];
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

        self::assertSame($errors, English::all($answers->errors));
        self::assertSame($errors === [], $answers->email !== null);
    }

    public function test_a_name_is_one_line_and_only_what_was_asked_for_is_kept(): void
    {
        $answers = Answers::read(self::form(), ['email' => 'robin@example.com',
            'first_name' => "Robin\r\nBcc: all@example.com\u{2028} \x07 Ash", 'admin' => 'yes', 'consent' => 'yes']);

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
        $form = FormPlan::fromShape(Shape::of(['id' => 'f', 'name' => 'F', 'button' => ' Go ',
            'fields' => [['kind' => 'email', 'required' => false, 'label' => '']],
            'tags' => ['  Late   starter ', 'late starter', '', 'Cello'], 'consent' => '', 'consentRequired' => true]));

        self::assertSame([['Late starter', 'Cello'], 'Go', true, 'Email address', false],
            [$form->tags, $form->button, $form->fields[0]->required, $form->fields[0]->label, $form->consentRequired]);
    }

    private static function form(): FormPlan
    {
        return FormPlan::fromShape(Shape::of(['id' => 'f', 'name' => 'F', 'button' => 'Go', 'consent' => 'Yes', 'consentRequired' => true,
            'fields' => [
                ['kind' => 'first_name', 'label' => 'Your name', 'required' => true], ['kind' => 'email'], ['kind' => 'phone']]]));
    }

    /** @return array{Plan} a plan with three sequences: by form, by tag, and one the form ends */
    private function sequences(): array
    {
        $plan = Plans::changed(function (array $p): array {
            $email = fn (string $id, string $sequence): array => ['id' => $id, 'name' => $id, 'subject' => 'x', 'body' => 'x',
                'timing' => ['from' => 'joining', 'days' => 1], 'sequence' => $sequence];

            $tag = fn (string $tag): array => ['kind' => 'tag', 'tag' => $tag];
            $filledIn = ['kind' => 'form', 'form' => $p['forms'][0]['id']];

            return ['sequences' => [
                ['id' => 'main', 'name' => 'Main', 'starts' => [$filledIn], 'ends' => [$tag('Student'), ['kind' => 'bought']]],
                ['id' => 'tagged', 'name' => 'Tagged', 'starts' => [$tag('The twelve-minute PRACTICE plan'), $tag('Student')],
                    'ends' => [['kind' => 'bought']]],
                ['id' => 'old', 'name' => 'Old', 'ends' => [$filledIn]]],
                'emails' => [$email('m', 'main'), $email('t', 'tagged'), $email('o', 'old')],
                'forms' => [['notice' => 'daily', 'hook' => 'https://hooks.ferncroft.example/'] + $p['forms'][0]]] + $p;
        });

        return [$plan];
    }

    private function names(Decision $decision): array
    {
        return array_map(fn (Effect $e): string => match (true) {
            $e instanceof StartSequence => "start {$e->sequence}", $e instanceof StopSequence => "stop {$e->sequence}",
            $e instanceof SendEmail => "send {$e->email}", $e instanceof AddTag => 'tag',
            $e instanceof TellOwner => "tell {$e->notice->value}", $e instanceof CallHook => 'call', $e instanceof DeliverFile => 'file',
            $e instanceof AskToConfirm => 'ask', $e instanceof CancelEmails => 'cancel',
            default => $e::class,
        }, $decision->effects);
    }

    /**
     * @return iterable<string, array{array<string, bool>, list<string>, list<string>}> sequences they are or were in, their tags, what
     *     follows
     */
    public static function joining(): iterable
    {
        yield 'a stranger' => [[], [], ['tag', 'start tagged', 'send t', 'file', 'start main', 'send m', 'tell daily', 'call']];
        yield 'in the one the form ends' => [['old' => true], [],
            ['tag', 'start tagged', 'send t', 'file', 'stop old', 'start main', 'send m', 'tell daily', 'call']];
        yield 'was in it once' => [['old' => false], [],
            ['tag', 'start tagged', 'send t', 'file', 'start main', 'send m', 'tell daily', 'call']];
        yield 'in the main one already' => [['main' => true], [], ['tag', 'start tagged', 'send t', 'file', 'tell daily', 'call']];
        yield 'was in the main one, and may not enter again' => [['main' => false], ['The Twelve-Minute Practice Plan'],
            ['file', 'tell daily', 'call']];
        yield 'has the tag that ends it' => [[], ['student', 'The Twelve-Minute Practice Plan'], ['file', 'tell daily', 'call']];
    }

    /**
     * @param  array<string, bool>  $sequences
     * @param  list<string>  $tags
     * @param  list<string>  $effects
     */
    #[DataProvider('joining')]
    public function test_what_follows_from_joining(array $sequences, array $tags, array $effects): void
    {
        [$plan] = $this->sequences();
        $person = Known::person('UTC', tags: $tags, sequences: $sequences);

        self::assertSame($effects, $this->names((new Journey($plan))->decide($person, $this->joined($plan))));
    }

    /**
     * @return iterable<string, array{bool, list<string>, list<string>}> may it be entered again, the sequences they are past the last
     *     email of, what follows
     */
    public static function pastTheLastEmail(): iterable
    {
        yield 'on the way' => [true, [], []];
        yield 'past the last email, and it may be entered again' => [true, ['main'], ['start main', 'send m']];
        yield 'past the last email, and it may not' => [false, ['main'], []];
        yield 'past the last email of another' => [true, ['old'], []];
    }

    /**
     * @param  list<string>  $through
     * @param  list<string>  $effects
     */
    #[DataProvider('pastTheLastEmail')]
    public function test_a_sequence_is_over_with_its_last_email(bool $again, array $through, array $effects): void
    {
        [$plan] = $this->sequences();
        $plan = Plans::changed(fn (array $p): array => ['sequences' => [['again' => $again] + $p['sequences'][0]]] + $p, $plan);
        $person = Known::person('UTC', ['m'], sequences: ['main' => true], through: $through);

        self::assertSame($effects, $this->names(new Decision(effects: (new Journey($plan))
            ->start($person, 'main', new DateTimeImmutable('2026-06-01 10:00:00', new DateTimeZone('UTC'))))));
    }

    public function test_tags_and_buying_start_and_end_sequences(): void
    {
        [$plan] = $this->sequences();
        $journey = new Journey($plan);
        $person = Known::person('UTC', sequences: ['main' => true, 'old' => true]);
        $event = fn (EventType $type, ?string $tag = null): Event => new Event($type,
            new DateTimeImmutable('2026-06-01 10:00:00', new DateTimeZone('UTC')), tag: $tag);

        self::assertSame(['stop main', 'start tagged', 'send t'],
            $this->names($journey->decide($person, $event(EventType::Tagged, 'STUDENT'))));
        self::assertSame([], $this->names($journey->decide($person, $event(EventType::Tagged, 'Something else'))));
        self::assertSame(['stop main'], $this->names($journey->decide($person, $event(EventType::Bought))),
            'the other does not end on buying');
        self::assertSame(['cancel'], $this->names($journey->decide($person, $event(EventType::Bounced))));
        self::assertSame('Bought, which ends this sequence.',
            $journey->listen($person, $event(EventType::Bought))->effectsOf(StopSequence::class)[0]->why);
        self::assertSame(['bought', 'form:'.$plan->forms[0]->id, 'tag:student', 'tag:the twelve-minute practice plan'],
            (function () use ($plan): array {
                $keys = $plan->listensTo();
                sort($keys);

                return $keys;
            })());
    }

    /** @return iterable<string, array{EventType, bool}> */
    public static function activity(): iterable
    {
        $active = [EventType::Viewed, EventType::Asked, EventType::Confirmed, EventType::Joined, EventType::Downloaded, EventType::Bought,
            EventType::Declined, EventType::Pressed, EventType::Clicked, EventType::Registered, EventType::Attended, EventType::SawOffer,
            EventType::LeftEarly, EventType::WatchedReplay, EventType::GuideBegun, EventType::GuideRead, EventType::GuideFinished];
        foreach (EventType::cases() as $type) {
            yield $type->value => [$type, in_array($type, $active, true)];
        }
    }

    #[DataProvider('activity')]
    public function test_only_what_a_person_does_by_themselves_makes_them_active(EventType $type, bool $active): void
    {
        self::assertSame($active, $type->isActivity());
    }

    /** @return iterable<string, array{array<string, mixed>|string, string}> */
    public static function wrongTriggers(): iterable
    {
        yield 'no such kind' => [['kind' => 'full-moon'], 'Nothing of this kind'];
        yield 'no kind' => [['tag' => 'x'], 'A text was expected'];
        yield 'a tag without a name' => [['kind' => 'tag', 'tag' => " \n "], 'choose a tag'];
        yield 'a tag that is a list' => [['kind' => 'tag', 'tag' => ['x']], 'A text was expected'];
        yield 'a form that is a number' => [['kind' => 'form', 'form' => 7], 'A text was expected'];
        yield 'words' => ['bought', 'A group of values'];
    }

    /** @param  array<string, mixed>|string  $trigger */
    #[DataProvider('wrongTriggers')]
    public function test_a_trigger_that_cannot_be(array|string $trigger, string $sentence): void
    {
        $this->expectException(Invalid::class);
        $this->expectExceptionMessage($sentence);
        Triggers::fromShape(Shape::of(['starts' => [$trigger]]), 'starts');
    }

    public function test_every_kind_of_trigger_is_written_as_it_is_read_and_follows_its_part(): void
    {
        $written = [['kind' => 'form', 'form' => 'f'], ['kind' => 'tag', 'tag' => 'Cello'], ['kind' => 'bought'],
            ['kind' => 'bought-offer', 'offer' => 'o'], ['kind' => 'page', 'page' => 'p', 'times' => 3],
            ['kind' => 'click', 'email' => 'e'], ['kind' => 'sequence', 'sequence' => 's'], ['kind' => 'registered', 'webinar' => 'w'],
            ['kind' => 'webinar', 'outcome' => 'left-early', 'webinar' => 'w'], ['kind' => 'confirmed', 'form' => 'f'],
            ['kind' => 'refunded', 'offer' => 'o'], ['kind' => 'payment-failed', 'offer' => 'o'],
            ['kind' => 'deadline-over', 'deadline' => 'd'], ['kind' => 'became-warm'], ['kind' => 'guide-begun', 'guide' => 'g'],
            ['kind' => 'guide-share', 'guide' => 'g', 'share' => 70], ['kind' => 'guide-page', 'page' => 'gp'],
            ['kind' => 'guide-finished', 'guide' => 'g'], ['kind' => 'signup'], ['kind' => 'deadline-began', 'deadline' => 'd'],
            ['kind' => 'deadline-near', 'deadline' => 'd', 'hours' => 3], ['kind' => 'replied'],
            ['kind' => 'date', 'field' => 'birthday', 'yearly' => true, 'days' => -1]];
        $read = Triggers::fromShape(Shape::of(['starts' => [...$written, ['kind' => 'tag', 'tag' => 'CELLO']]]), 'starts');

        self::assertSame($written, $read->toArray());
        self::assertSame(count(Triggers::KINDS), count($read->list));
        self::assertSame(['f', 'o', 'p', 'e', 's', 'w', 'w', 'f', 'o', 'o', 'd', 'g', 'g', 'gp', 'g', 'd', 'd'], $read->references());
        self::assertSame(['new', 'other', 'p', 'e', 's', 'y', 'y', 'new', 'other', 'other', 'd', 'g', 'g', 'gp', 'g', 'd', 'd'],
            $read->withIds(['f' => 'new', 'o' => 'other', 'w' => 'y',
                'Cello' => 'not an id'])
                ->references());
        self::assertSame('Cello', $read->withIds(['Cello' => 'not an id'])->toArray()[1]['tag']);
        foreach ($read->list as $trigger) {
            self::assertSame(array_keys($trigger::fields()), array_keys(array_diff_key($trigger->toArray(), ['kind' => 0])),
                'a picker asks for what is written');
        }
    }

    public function test_an_event_sets_off_what_waits_for_it_and_nothing_else(): void
    {
        $at = new DateTimeImmutable('2026-06-01 UTC');
        $heard = fn (Event $event): array => array_values(array_filter(array_map(
            fn (array $written): ?string => Triggers::fromShape(Shape::of(['starts' => [$written]]), 'starts')->heardBy($event)?->when(
                fn (string $id): string => $id), [['kind' => 'confirmed', 'form' => 'f'], ['kind' => 'refunded', 'offer' => 'o'],
                    ['kind' => 'payment-failed', 'offer' => 'o'], ['kind' => 'deadline-over', 'deadline' => 'd'],
                    ['kind' => 'became-warm'], ['kind' => 'bought-offer', 'offer' => 'o'], ['kind' => 'form', 'form' => 'f']])));

        self::assertSame(['confirm their address in “f”'], $heard(new Event(EventType::Confirmed, $at, form: 'f')));
        self::assertSame(['become warm'], $heard(new Event(EventType::BecameWarm, $at)));
        self::assertSame(['get their money back for “o”'], $heard(new Event(EventType::Refunded, $at, offers: ['x', 'o'])));
        self::assertSame(['fail to pay for “o”'], $heard(new Event(EventType::PaymentFailed, $at, offers: ['o'])));
        self::assertSame(['run out of time in “d”'], $heard(new Event(EventType::DeadlineOver, $at, deadline: 'd')));
        foreach ([EventType::Confirmed, EventType::Refunded, EventType::PaymentFailed, EventType::DeadlineOver] as $type) {
            self::assertSame([], $heard(new Event($type, $at, form: 'x', offers: ['x'], deadline: 'x')), $type->value);
            self::assertSame([], (new Event($type, $at))->keys());
        }
    }

    /** @return iterable<string, array{int, int, bool}> from how many views on, the how-manieth it is, and does that set it off? */
    public static function views(): iterable
    {
        yield 'the first' => [1, 1, true];
        yield 'a later one, of which the first was never reported' => [1, 4, true];
        yield 'one too few' => [3, 2, false];
        yield 'the third' => [3, 3, true];
        yield 'after it' => [3, 4, true];
        yield 'as many as can be told apart' => [20, 20, true];
        yield 'more than that' => [20, 5000, true];
    }

    #[DataProvider('views')]
    public function test_a_page_is_seen_often_enough(int $times, int $view, bool $heard): void
    {
        $triggers = new Triggers([new PageSeen('p', $times)]);
        $event = new Event(EventType::Viewed, new DateTimeImmutable('2026-06-01 UTC'), page: 'p', times: $view);

        self::assertSame($heard, $triggers->heardBy($event) !== null);
        self::assertSame($times === 1 ? 'Saw “Sales”' : "Saw “Sales” {$times} times",
            $triggers->list[0]->words(fn (): string => 'Sales'));
    }

    public function test_with_double_opt_in_nothing_but_the_question_follows_until_it_is_answered(): void
    {
        [$plan] = $this->sequences();
        $plan = Plans::changed(fn (array $p): array => ['forms' => [['doubleOptIn' => true] + $p['forms'][0]]] + $p, $plan);
        $journey = new Journey($plan);
        $decide = fn (EventType $type): Decision => $journey->decide(Known::person('UTC'),
            new Event($type, new DateTimeImmutable('2026-06-02'), $plan->pages[0]->id, $plan->forms[0]->id));
        $asked = $decide(EventType::Asked);
        self::assertSame([['ask'], null], [$this->names($asked), $asked->way]);
        $confirmed = $decide(EventType::Confirmed);
        self::assertSame([], $this->names($confirmed), 'what follows, follows from joining, which comes with it');
        self::assertSame($plan->pages[1]->id, $confirmed->way?->toPage,
            'where confirming leads nowhere of its own, it leads where joining does');
        self::assertSame(['tag', 'start tagged', 'send t', 'file', 'start main', 'send m', 'tell daily', 'call'],
            $this->names($decide(EventType::Joined)));
    }
}

<?php

declare(strict_types=1);

namespace Tests\Core\Forms;

use Lantern\Core\Forms\Answers;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Forms\SignupCheck;
use Lantern\Core\Forms\SignupFacts;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What a filled-in form means. */
final class SignupCheckTest extends TestCase
{
    /** @param  array<string, mixed>  $more */
    private static function form(array $more = []): FormPlan
    {
        return FormPlan::fromShape(Shape::of($more + ['id' => 'f', 'name' => 'Form', 'button' => 'Send', 'consent' => '',
            'fields' => [['kind' => 'email', 'label' => 'Email', 'required' => true]], 'consentRequired' => false, 'tags' => []]));
    }

    /** @return iterable<string, array{array{bool, bool}, array<string, mixed>, array<string, bool>}> does it wait, is it theirs */
    public static function addresses(): iterable
    {
        $double = ['doubleOptIn' => true];
        yield 'a new address' => [[false, true], [], []];
        yield 'a known one, typed by anybody' => [[false, false], [], ['isKnown' => true]];
        yield 'a known one, by a link in an email to it' => [[false, true], [], ['isKnown' => true, 'isProven' => true]];
        yield 'one that had left is asked, whatever the form says' => [[true, false], [], ['isKnown' => true, 'hasLeft' => true]];
        yield 'one that had left, and whose person was erased' => [[true, true], [], ['hasLeft' => true]];
        yield 'one that had left, by a link' => [[true, true], [], ['isKnown' => true, 'hasLeft' => true, 'isProven' => true]];
        yield 'a form that asks everybody' => [[true, true], $double, []];
        yield 'a form that asks everybody, also those it knows' => [[true, false], $double, ['isKnown' => true]];
    }

    /**
     * @param  array{bool, bool}  $expected
     * @param  array<string, mixed>  $form
     * @param  array<string, bool>  $facts
     */
    #[DataProvider('addresses')]
    public function test_whether_it_is_asked_and_whose_doing_it_is(array $expected, array $form, array $facts): void
    {
        $form = self::form($form);
        $meaning = SignupCheck::of($form, Answers::read($form, ['email' => 'robin@example.com']), new SignupFacts(...$facts));

        self::assertSame($expected, [$meaning->waits, $meaning->theirs]);
    }

    /** @return iterable<string, array{array{bool, bool|null}, array<string, mixed>, array<string, string>}> consent, marketing */
    public static function words(): iterable
    {
        $beside = ['consent' => 'I agree', 'consentRequired' => true];
        yield 'nothing is said' => [[false, null], [], []];
        yield 'words under the button' => [[true, null], ['consent' => 'By pressing'], []];
        yield 'a box that was ticked' => [[true, null], $beside, ['consent' => 'yes']];
        yield 'a box that was not' => [[false, null], $beside, []];
        yield 'a box of its own, ticked' => [[false, true], ['marketing' => 'And news'], ['marketing' => 'yes']];
        yield 'a box of its own, left empty' => [[false, false], ['marketing' => 'And news'], []];
        yield 'a box that the form has not' => [[false, null], [], ['marketing' => 'yes', 'consent' => 'yes']];
    }

    /**
     * @param  array{bool, bool|null}  $expected
     * @param  array<string, mixed>  $form
     * @param  array<string, string>  $typed
     */
    #[DataProvider('words')]
    public function test_what_was_agreed_to(array $expected, array $form, array $typed): void
    {
        $form = self::form($form);
        $meaning = SignupCheck::of($form, Answers::read($form, $typed + ['email' => 'robin@example.com']), new SignupFacts);

        self::assertSame($expected, [$meaning->consented, $meaning->marketing]);
    }

    /** @return iterable<string, array{bool, bool|null, bool, bool, bool, bool, string}> after; said, before, new, pending, theirs, consent */
    public static function agreements(): iterable
    {
        yield 'a new person who ticks the box' => [true, true, true, true, false, true, ''];
        yield 'a new person who does not' => [false, false, true, true, false, true, ''];
        yield 'a known one who does not takes nothing back' => [true, false, true, false, false, true, ''];
        yield 'a known one who had not, and ticks it' => [true, true, false, false, false, true, ''];
        yield 'one who never joined, and does not' => [false, false, true, false, true, true, ''];
        yield 'no box, and a consent: that is it' => [true, null, false, false, false, true, 'By pressing'];
        yield 'no box and no consent: as it was' => [false, null, false, false, false, true, ''];
        yield 'anybody may have typed it: as it was' => [false, true, false, false, false, false, 'By pressing'];
        yield 'anybody may have typed it, and nobody ever joined' => [true, true, true, false, true, false, ''];
    }

    #[DataProvider('agreements')]
    public function test_whether_they_agree_to_more(bool $after, ?bool $said, bool $agreed, bool $new, bool $pending, bool $theirs,
        string $consent): void
    {
        self::assertSame($after, SignupCheck::marketing(self::form(['consent' => $consent]), $said, $agreed, $new, $pending, $theirs));
    }

    /** @return iterable<string, array{bool, string, string, bool}> */
    public static function answers(): iterable
    {
        yield 'what they say themselves' => [true, 'Robin', 'Rob', true];
        yield 'an empty answer takes nothing away' => [false, '', 'Rob', true];
        yield 'what anybody typed, where nothing is known' => [true, 'Robin', '', false];
        yield 'what anybody typed, where something is' => [false, 'Robin', 'Rob', false];
    }

    #[DataProvider('answers')]
    public function test_which_answers_are_taken_over(bool $taken, string $answer, string $known, bool $theirs): void
    {
        self::assertSame($taken, SignupCheck::takesOver($answer, $known, $theirs));
    }
}

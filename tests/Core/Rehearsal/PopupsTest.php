<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use DateTimeImmutable;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Popups\PopupDesigns;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\ChoiceKind;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Rehearsal\HappeningKind;
use Lantern\Core\Rehearsal\Life;
use Lantern\Core\Rehearsal\Rehearsal;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** Pop-ups of a rehearsal are shown when they would be: by the view, the visit, the device, and what is known of who looks. */
final class PopupsTest extends TestCase
{
    private Plan $plan;

    private Rehearsal $rehearsal;

    private Life $life;

    /** @param  array<string, mixed>  $with */
    private function begin(array $with = [], Goal $goal = Goal::GiveAway): void
    {
        $plan = $goal === Goal::Sell ? RehearsalTest::sells() : Plans::of($goal);
        $id = 0;
        $fresh = PopupDesigns::fresh('pop', 'Before you go', PopupDesigns::get('popup-card'), function () use (&$id): string {
            return 'popped'.$id++;
        }, $plan->firstParts())->toArray();
        $this->plan = $plan->with([...$plan->parts, Popup::fromShape(Shape::of($with + ['on' => true, 'tag' => 'Popped',
            'limits' => ['repeat' => 'always', 'afterClosed' => 0, 'apart' => 0]] + $fresh))]);
        $this->rehearsal = new Rehearsal(RehearsalTest::stage($this->plan));
        $this->life = $this->rehearsal->begin(new Visitor(zone: 'Europe/Oslo'), new DateTimeImmutable('2027-04-14 10:00 UTC'));
    }

    private function does(ChoiceKind $kind, string $of = '', int $minutes = 0, string $popup = ''): void
    {
        $this->rehearsal->choose($this->life, new Choice($kind, $of, minutes: $minutes, popup: $popup));
    }

    private function isOffered(): bool
    {
        foreach ($this->rehearsal->options($this->life) as $option) {
            if ($option->choice->kind === ChoiceKind::ClosePopup) {
                return true;
            }
        }

        return false;
    }

    public function test_once_a_view_and_for_as_long_as_a_page_may_ask(): void
    {
        $this->begin();
        $this->does(ChoiceKind::Come);
        self::assertTrue($this->isOffered());
        $this->does(ChoiceKind::ClosePopup, 'pop');
        $this->does(ChoiceKind::Wait, minutes: 60);
        self::assertFalse($this->isOffered(), 'of one view there is one');
        $this->does(ChoiceKind::ClosePopup, 'pop');
        self::assertCount(1, $this->life->of(HappeningKind::Impossible));
        $this->does(ChoiceKind::Come);
        self::assertTrue($this->isOffered(), 'another view');
        $this->does(ChoiceKind::Wait, minutes: 12 * 60);
        self::assertTrue($this->isOffered());
        $this->does(ChoiceKind::Wait, minutes: 1);
        self::assertFalse($this->isOffered(), 'a page that has been open since this morning shows none');
    }

    public function test_a_visit_is_one_of_pages_that_ask_and_a_device_has_its_own(): void
    {
        $this->begin(['targeting' => ['visitors' => 'returning']]);
        $this->does(ChoiceKind::Come);
        self::assertFalse($this->isOffered());
        $this->does(ChoiceKind::Wait, minutes: 31);
        $this->does(ChoiceKind::Come);
        self::assertTrue($this->isOffered(), 'the second visit');
        $this->does(ChoiceKind::OtherDevice);
        $this->does(ChoiceKind::Come);
        self::assertFalse($this->isOffered(), 'nobody knows them there');
    }

    public function test_whoever_has_joined_is_left_alone_where_they_are_known_and_nowhere_else(): void
    {
        $this->begin();
        $form = $this->plan->popup('pop')?->forms()[0] ?? '';
        $this->does(ChoiceKind::Come);
        $this->does(ChoiceKind::Join, $form, popup: 'pop');
        self::assertContains('Popped', $this->life->person->tags());
        $this->does(ChoiceKind::Wait, minutes: 60);
        $this->does(ChoiceKind::Come);
        self::assertFalse($this->isOffered());
        $this->does(ChoiceKind::Join, $form, popup: 'pop');
        self::assertCount(1, $this->life->of(HappeningKind::Impossible), 'it cannot be filled in where it is not shown');
        $this->does(ChoiceKind::OtherDevice);
        $this->does(ChoiceKind::Come);
        self::assertTrue($this->isOffered());
    }

    public function test_whoever_has_bought_on_this_device_is_left_alone_and_so_is_whoever_pays(): void
    {
        $this->begin([], Goal::Sell);
        $this->does(ChoiceKind::Come, RehearsalTest::page($this->plan, ''));
        self::assertTrue($this->isOffered());
        $this->does(ChoiceKind::Come, RehearsalTest::page($this->plan, 'order'));
        self::assertFalse($this->isOffered(), 'nobody is disturbed while they pay');
        $this->does(ChoiceKind::CardRefused);
        $this->does(ChoiceKind::Come, RehearsalTest::page($this->plan, ''));
        self::assertTrue($this->isOffered(), 'they have not bought');
        $this->does(ChoiceKind::Come, RehearsalTest::page($this->plan, 'order'));
        $this->does(ChoiceKind::Buy);
        $this->does(ChoiceKind::Come, RehearsalTest::page($this->plan, ''));
        self::assertFalse($this->isOffered());
    }
}

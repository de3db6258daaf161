<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use Lantern\Core\Experiments\Tested;
use Lantern\Core\Experiments\TestGoal;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\UsualGoal;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use PHPUnit\Framework\TestCase;

final class UsualGoalTest extends TestCase
{
    public function test_a_page_on_which_somebody_buys_wants_sales_and_any_other_sign_ups(): void
    {
        $sells = [PageRole::Sales, PageRole::Checkout, PageRole::Upsell, PageRole::Downsell];
        foreach (PageRole::ofPages() as $role) {
            $page = new PagePlan('p', $role, 'P', 'p', new Document([], Background::paper()));
            self::assertSame(in_array($role, $sells, true) ? TestGoal::Sale : TestGoal::Signup, UsualGoal::of(Tested::Page, $page),
                $role->value);
        }
    }

    public function test_an_email_wants_clicks_if_there_is_anything_to_click(): void
    {
        foreach (['<p>Hello</p>' => TestGoal::Open, '' => TestGoal::Open, '<p><a>no address</a></p>' => TestGoal::Open,
            '<p><a href="page:sales">Look</a></p>' => TestGoal::Click,
            '<p><a href="https://ferncroft.example/">Look</a></p>' => TestGoal::Click] as $body => $goal) {
            self::assertSame($goal, UsualGoal::of(Tested::Email, new EmailPlan('e', 'E', 'S', $body, Delay::days(1), 's')), $body);
        }
    }
}

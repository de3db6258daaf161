<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\WebDriverBy;

/** From an empty application to a real lead, as a coach and a stranger on a phone do it. */
final class FirstLeadTest extends BrowserTestCase
{
    public function test_from_the_first_visit_to_a_lead_with_the_file_in_hand(): void
    {
        $this->steps(function (): void {
            $studio = $this->browser();
            $studio->get(self::$studio.'/studio');
            $this->fill($studio, 'Your name', 'Imke Farrow');
            $this->fill($studio, 'Your email address', 'imke@ferncroft.example');
            $this->fill($studio, 'Password', 'twelve minutes a day');
            $this->fill($studio, 'Business', 'Ferncroft Cello Room');
            foreach (['Sender name' => 'Imke Farrow', 'Sender address' => 'imke@ferncroft.example'] as $label => $typedAbove) {
                self::assertSame($typedAbove, $this->field($studio, $label)->getDomProperty('value'));
            }
            $this->fill($studio, 'Postal address', '3 Ferncroft Yard, Exampleton');
            $this->press($studio, 'Create my Studio');
            // As somebody does who sees the screen before they open its menu.
            $this->seeText($studio, 'Good to see you, Imke.');
            $this->press($studio, 'Your account');
            $this->press($studio, 'Sign out');
            $this->fill($studio, 'Email address', 'imke@ferncroft.example');
            $this->fill($studio, 'Password', 'twelve minutes a day');
            $this->press($studio, 'Sign in');
            $this->seeText($studio, 'Good to see you, Imke.');

            // Each click and each filled field from the signed-in home to a live page, counted.
            $interactions = 0;
            $click = function (string $words) use ($studio, &$interactions): void {
                $this->press($studio, $words);
                $interactions++;
            };
            $click('Make your first funnel');
            $click('Give something away');
            $this->fill($studio, 'Private name', 'Practice plan');
            $interactions++;
            $this->fill($studio, 'What is the lead magnet called?', 'The Twelve-Minute Practice Plan');
            $interactions++;
            $studio->findElement(WebDriverBy::cssSelector('input[type=file]'))->setFileDetector(new LocalFileDetector)
                ->sendKeys($this->pdf());
            $interactions++;
            $click('Make the funnel');
            $click('Publish version 1');
            $click('Make it live');
            $url = $this->find($studio, '[data-test=public-url]')->getText();
            self::assertLessThanOrEqual(8, $interactions);
            self::assertSame(self::$site.'/the-twelve-minute-practice-plan', $url);
            $this->press($studio, 'Close');
            $this->seeText($studio, 'Nobody yet.');

            $downloads = self::$folder.'/downloads';
            mkdir($downloads);
            $phone = $this->browser(375, 740, $downloads);
            $phone->get($url.'?utm_source=newsletter');
            $this->waitFor($phone, fn (): bool => (int) $this->sql("select count(*) from events where type = 'viewed'") === 1,
                'the view is counted');
            self::assertSame(375, $phone->executeScript('return document.documentElement.scrollWidth'), 'nothing runs off the phone');
            $this->fill($phone, 'Email address', 'robin@');
            $this->press($phone, 'Send it to me');
            $this->seeText($phone, 'This does not look like an email address.');
            $this->fill($phone, 'First name', 'Robin');
            $this->fill($phone, 'Email address', 'robin@example.com');
            $this->press($phone, 'Send it to me');
            $this->seeText($phone, 'It is yours, Robin.');
            $this->press($phone, 'Download it now');
            $this->waitFor($phone, function () use ($downloads): bool {
                clearstatcache();

                return is_file("{$downloads}/My own plan.pdf")
                    && filesize("{$downloads}/My own plan.pdf") === filesize($this->pdf());
            }, 'the file is there under its name, whole');
            self::assertFileEquals($this->pdf(), "{$downloads}/My own plan.pdf");

            // The open screen shows who joined, without a reload.
            $this->waitFor($studio, fn ($b): bool => str_contains($b->findElement(WebDriverBy::cssSelector('body'))->getText(),
                'robin@example.com'), 'the new person appears by themselves');
            $this->press($studio, 'Robin');
            $this->seeText($studio, 'Joined through “Opt-in page”');
            $this->seeText($studio, 'Downloaded the file');
            $this->seeText($studio, 'came from newsletter');
            self::assertStringContainsString('The Twelve-Minute Practice Plan',
                $this->find($studio, '[aria-label="What is known"]')->getText());
            $this->press($studio, 'Was sent “Welcome email”');
            $this->seeText($studio, 'Here it is: The Twelve-Minute Practice Plan');
            $this->press($studio, 'Plain text');
            $this->seeText($studio, 'Hello Robin,');
            $this->press($studio, 'Results');
            $this->seeText($studio, 'In 1 funnel there was 1 sign-up and no sales.');
            $this->press($studio, 'Practice plan');
            $this->seeText($studio, '1 visitor came, and there was 1 sign-up: 100 of a hundred (between 20 and 100 of a hundred).');

            // The owner's own look at the page is not counted.
            $views = (int) $this->sql("select count(*) from events where type = 'viewed'");
            $studio->get(self::$studio.'/studio/open/'.$this->sql('select id from funnels'));
            $studio->get($url);
            $studio->get(self::$studio.'/studio/funnels');
            $this->seeText($studio, '100.0 %');
            self::assertSame($views, (int) $this->sql("select count(*) from events where type = 'viewed'"));
        });
    }

    /** Every name below `localhost` leads to this machine, for the browser as for us. */
    public function test_the_funnel_moves_to_a_domain_of_her_own(): void
    {
        $this->steps(function (): void {
            $domain = 'http://cello.localhost:'.parse_url(self::$site, PHP_URL_PORT);
            $studio = $this->browser();
            $this->signIn($studio);
            $studio->get(self::$studio.'/studio/settings/domains');
            $this->fill($studio, 'Its name', 'http://cello');
            $this->press($studio, 'Add the domain');
            $this->seeText($studio, 'This is no name that a domain can have.');
            $this->fill($studio, 'Its name', 'cello.localhost');
            $this->press($studio, 'One funnel alone');
            $this->choose($studio, 'The funnel', 'Practice plan');
            $this->press($studio, 'Add the domain');
            $this->seeText($studio, 'Not checked yet.');
            $this->seeText($studio, '127.0.0.1');
            $this->press($studio, 'Check now');
            $this->seeText($studio, 'Works.');
            $this->press($studio, 'Make it the primary one');
            $this->seeText($studio, 'Links are made with cello.localhost from now on.');

            $phone = $this->browser(390, 844);
            $phone->get(self::$site.'/the-twelve-minute-practice-plan?utm_source=talk');
            self::assertSame("{$domain}/?utm_source=talk", $phone->getCurrentURL());
            $this->fill($phone, 'Email address', 'ada@example.com');
            $this->press($phone, 'Send it to me');
            $this->waitFor($phone, fn (): bool => $phone->getCurrentURL() === "{$domain}/thank-you", 'the next page on the domain');
            $this->waitFor($phone, fn (): bool => str_contains((string) $this->sql(
                "select text from messages where to_address = 'ada@example.com' and state = 'sent'"), "{$domain}/f/"), 'the email');
            $this->waitFor($phone, fn (): bool => (int) $this->sql(
                "select count(*) from events where type = 'viewed' and last_touch = 'talk'") > 0, 'the view is counted');
        });
    }
}

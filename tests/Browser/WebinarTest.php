<?php

declare(strict_types=1);

namespace Tests\Browser;

use CurlHandle;
use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;

/** Webinars as the host and those who register live them: from the starter to the room, with a recording and live. */
final class WebinarTest extends BrowserTestCase
{
    private const RECORDING = __DIR__.'/../../database/demo/media/first-melody.webm';

    private function path(RemoteWebDriver $b): string
    {
        return (string) parse_url($b->getCurrentURL(), PHP_URL_PATH);
    }

    /** A funnel from the starter, made by hand as a new owner would. */
    private function fromStarter(RemoteWebDriver $owner, string $mode): string
    {
        $owner->get(self::$studio.'/studio/funnels/new');
        $this->press($owner, 'Hold a webinar');
        $this->fill($owner, 'Private name', "First Melody, {$mode}");
        $this->fill($owner, 'What is the webinar called?', 'From Open Strings to Your First Melody');
        $this->press($owner, $mode);
        $this->fill($owner, 'What does the programme cost', '290');
        $this->press($owner, 'Make the funnel');
        $this->waitFor($owner, fn (RemoteWebDriver $o): bool => preg_match('~/funnels/[0-9a-z]{26}$~', $o->getCurrentURL()) === 1,
            'it is made');
        $funnel = basename($owner->getCurrentURL());
        $this->priceOffers($owner, $funnel);
        $owner->navigate()->refresh();

        return $funnel;
    }

    private function register(RemoteWebDriver $visitor, string $address, string $email): void
    {
        $visitor->get(self::$site.$address);
        $this->fill($visitor, 'First name (optional)', ucfirst((string) strstr($email, '@', true)));
        $this->fill($visitor, 'Email address', $email);
        // The page glides to what is pressed; WebDriver would press where it was.
        $visitor->executeScript('document.querySelector("form button[type=submit]").click()');
        $this->waitFor($visitor, fn (): bool => $this->path($visitor) === "{$address}/confirmation", 'the confirmation page');
    }

    /** Nobody waits for a quarter of an hour here: the session of everybody began so many seconds ago. */
    private function began(int $seconds, int $length): void
    {
        $at = fn (int $s): string => "'".self::fromNow("{$s} seconds")."'";
        $this->sql("update registrations set starts_at = {$at(-$seconds)}, ends_at = {$at($length - $seconds)}, settle_at = "
            ."{$at($length - $seconds)}");
    }

    public function test_a_recording_is_joined_where_it_is_and_whoever_leaves_has_left_early(): void
    {
        $this->steps(function (): void {
            $owner = $this->browser();
            $this->signIn($owner);
            $funnel = $this->fromStarter($owner, 'Automated: a recording plays, again and again');
            $this->press($owner, 'Session', 'section[aria-label=Timeline] button');
            $this->seeText($owner, 'Played at the next quarter of an hour');
            $this->press($owner, 'Choose a video', '[aria-label="The recording"] button');
            $owner->findElement(WebDriverBy::cssSelector('[role=dialog] input[type=file]'))->sendKeys((string) realpath(self::RECORDING));
            $this->seeText($owner, '2:30 long.');
            $this->waitFor($owner, fn (): bool => str_contains((string) $this->sql('select definition from draft_parts where '
                ."kind = 'webinar'"), '"minutes":3'), 'a session takes as long as its recording');
            $this->retype($this->find($owner, 'input[placeholder="40:00"]'), '1:30');
            $owner->executeScript('document.activeElement.blur()');
            $this->waitFor($owner, fn (): bool => str_contains((string) $this->sql('select definition from draft_parts where kind = '
                ."'webinar'"),
                '"second":90'), 'it is saved');
            $this->publishAtOnce($owner, $funnel);
            $address = '/'.$this->sql("select address from funnels where id = '{$funnel}'");

            $robin = $this->browser(400, 800);
            (new ChromeDevToolsDriver($robin))->execute('Emulation.setTimezoneOverride', ['timezoneId' => 'Asia/Kolkata']);
            $robin->get(self::$site.$address);
            $this->waitFor($robin, fn (RemoteWebDriver $b): bool => str_contains($this->find($b, '[data-sessions]')->getText(),
                'Kolkata time'),
                'the times are those of their clock');
            self::assertLessThanOrEqual(400, $robin->executeScript('return document.documentElement.scrollWidth'));
            self::assertStringNotContainsStringIgnoringCase(' live', (string) $robin->executeScript('return document.body.innerText'));
            $this->register($robin, $address, 'robin@example.com');
            $this->seeText($robin, 'Kolkata time');
            $this->register($this->browser(400, 800), $address, 'wren@example.com');
            $this->began(84, 150);

            $this->press($robin, 'To your room');
            $this->press($robin, 'Join with sound');
            $second = fn (): float => (float) $robin->executeScript('const v = document.querySelector("video"); return v.paused ? 0 : '
                .'v.currentTime');
            $this->waitFor($robin, fn (): bool => $second() > 84, 'it plays where the session is');
            self::assertLessThan(115, $second());
            $this->waitFor($robin, fn (RemoteWebDriver $b): bool => str_contains($this->find($b, '[data-offer]')->getText(),
                'At this price for'),
                'the offer, with its deadline');
            $robin->executeScript('document.querySelector("video").currentTime = 3');
            $this->waitFor($robin, fn (): bool => $second() > 84, 'it cannot be wound back');
            $robin->navigate()->refresh();
            $this->press($robin, 'Join with sound');
            $this->waitFor($robin, fn (): bool => $second() > 90, 'a page that is loaded again comes back to the right second');
            $this->waitFor($robin, fn (): bool => (int) $this->sql('select live_seconds from registrations where saw_offer_at is not '
                .'null') > 3,
                'they were seen to be there');
            self::assertSame(1, (int) $this->sql('select count(*) from deadline_runs'));
            $robin->get(self::$site.$address);

            $this->began(200, 150);
            self::artisan('lantern:due');
            self::assertSame('1', (string) $this->sql('select count(*) from registrations where left_early_at is not null'));
            self::assertSame('1', (string) $this->sql('select count(*) from registrations where missed_at is not null'));
            $owner->get(self::$studio.'/studio/people/'.$this->sql("select id from people where email = 'wren@example.com'"));
            $this->seeText($owner, 'Missed “Webinar”');
        });
    }

    public function test_a_live_hour_is_held_from_the_control_room(): void
    {
        $this->steps(function (): void {
            $owner = $this->browser();
            $this->signIn($owner);
            $funnel = $this->fromStarter($owner, 'Live: I speak at a set time');
            $this->publishAtOnce($owner, $funnel);
            $address = '/'.$this->sql("select address from funnels where id = '{$funnel}'");
            $wren = $this->browser();
            $this->register($wren, $address, 'wren@example.com');
            $this->began(0, 3600);
            $this->press($wren, 'To your room');
            $this->seeText($wren, 'The host will be here in a moment.');

            $owner->get(self::$studio."/studio/funnels/{$funnel}/webinar/".$this->sql('select id from draft_parts where kind = '
                ."'webinar' and funnel_id = '{$funnel}'"));
            $this->press($owner, 'Control room', '[data-test=sessions] a');
            $this->find($owner, '[data-test=room-state]');
            $owner->getKeyboard()->sendKeys('b');
            $this->waitFor($owner, fn (RemoteWebDriver $o): bool => $this->find($o, '[data-test=room-state]')->getText() === 'Live',
                'it is on');
            $this->press($wren, 'Join with sound');
            $wren->findElement(WebDriverBy::id('room-question'))->sendKeys('Which string do I begin with?');
            $wren->executeScript('document.querySelector("[data-ask] button").click()');
            $this->seeText($owner, 'Which string do I begin with?');
            $this->press($owner, 'Answer in writing');
            $this->find($owner, 'textarea[aria-label="Your answer"]')->sendKeys('With the D string.');
            $this->press($owner, 'Send');
            $this->seeText($wren, 'With the D string.');
            $this->press($owner, 'Show the offer');
            $this->waitFor($wren, fn (RemoteWebDriver $b): bool => str_contains($this->find($b, '[data-offer]')->getText(),
                'See the offer'),
                'the offer appears');
            $this->waitFor($owner, fn (RemoteWebDriver $o): bool => str_starts_with($this->find($o, '[data-test=here]')->getText(),
                '1 here'),
                'somebody is here');
            $this->press($owner, 'End the session');
            $this->press($owner, 'End it', '[role=dialog] button');
            $this->seeText($wren, 'This session is over.');
            $this->find($owner, '[data-test=sentence]');
        });
    }

    public function test_fifty_at_once_for_five_places_are_five_and_a_waiting_list(): void
    {
        $this->steps(function (): void {
            $owner = $this->browser();
            $this->signIn($owner);
            $funnel = $this->fromStarter($owner, 'Live: I speak at a set time');
            $webinar = $this->askApi($owner, 'GET', "funnels/{$funnel}")['webinars'][0];
            $this->askApi($owner, 'PUT', "parts/{$webinar['id']}", ['revision' => $webinar['revision'],
                'schedule' => ['places' => 5] + $webinar['schedule']]);
            $this->publishAtOnce($owner, $funnel);
            $address = '/'.$this->sql("select address from funnels where id = '{$funnel}'");
            $forms = array_map(function (int $i) use ($address): array {
                preg_match_all('/<input type="hidden" name="(\w+)" value="([^"]*)"/', (string) curl_exec($this->request($address)), $m);

                return ['email' => "p{$i}@example.com"] + array_combine($m[1], $m[2]);
            }, range(1, 50));
            $states = $this->atOnce(array_map(fn (array $form, int $i): CurlHandle => $this->request($address, $form, "198.51.100.{$i}"),
                $forms, range(1, 50)));

            self::assertSame([303 => 50], array_count_values($states));
            $count = fn (string $state): int => (int) $this->sql('select count(*) from registrations where webinar_id = '
                ."'{$webinar['id']}' and "
                ."state = '{$state}'");
            self::assertSame([5, 45], [$count('registered'), $count('waiting')]);
        });
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature\Languages;

use App\Forms\Confirmations;
use App\Models\Confirmation;
use App\Models\Delivery;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Message;
use App\Publishing\Publishing;
use Carbon\CarbonImmutable;
use Lantern\Core\Forms\FormPlan;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\MadeUp;
use Tests\TestCase;

/** All that somebody is told on the way from a form to the guide, and out again, is said in the language of the funnel. */
final class MadeUpSignupTest extends TestCase
{
    use HearsMadeUp;

    private function asking(bool $confirmed): Funnel
    {
        $funnel = $this->draft();
        $row = DraftPart::there($funnel->id, FormPlan::kind())->sole();
        $field = fn (string $name, string $kind, array $more = []): array => $more + ['name' => $name, 'kind' => $kind,
            'label' => 'Some words', 'required' => true];
        $row->change(['doubleOptIn' => $confirmed, 'marketing' => 'Write to me now and then', 'fields' => [
            ...(array) $row->definition['fields'], $field('phone', 'phone'), $field('level', 'choice', ['options' => ['First', 'Second']]),
            $field('more', 'choices', ['options' => ['First', 'Second']]), $field('day', 'date', ['required' => false]),
            $field('years', 'number')]])->save();

        return $this->inGreek($funnel);
    }

    #[TestWith([false])]
    #[TestWith([true])]
    public function test_from_the_form_to_the_guide_and_out_again(bool $ofFunnel): void
    {
        $this->ofFunnel = $ofFunnel;
        $funnel = $this->asking(true);
        $url = "/{$funnel->address}";
        $this->get('/nothing-here')->assertNotFound();
        $this->get("{$url}/nothing-here")->assertNotFound();
        $hidden = $this->form($funnel);
        $this->post($url, $hidden)->assertStatus(422);
        $this->post($url, ['email' => 'nobody', 'phone' => 'abc', 'level' => 'Third', 'day' => 'x', 'years' => 'many',
            'first_name' => str_repeat('μ', 300)] + $hidden)->assertStatus(422);
        $this->post($url, ['email' => 'robin@example.com', 'token' => 'forged'] + $hidden)->assertStatus(422);
        $all = ['email' => 'robin@example.com', 'first_name' => 'Ροβιν', 'phone' => '+49 30 1', 'terms' => 'yes',
            'years' => '3', 'consent' => 'yes', 'level' => MadeUp::greek('First'), 'more' => [MadeUp::greek('Second')]];
        $wait = (string) $this->post($url, $all + $this->form($funnel))->assertStatus(303)->headers->get('Location');
        $this->get($wait)->assertOk();
        $this->post($wait)->assertSuccessful();
        $this->runQueue();
        $link = Confirmations::link(Confirmation::query()->latest('id')->firstOrFail());
        $this->get($link)->assertOk();
        $this->followingRedirects()->post($link)->assertOk();
        $this->get($link);
        $this->get("{$url}/thank-you")->assertOk();
        $delivery = Delivery::query()->sole();
        $this->runQueue();
        $this->get('/f/'.$delivery->id.'/plan.pdf')->assertForbidden();
        $this->post('/f/again', ['email' => 'robin@example.com', 'delivery' => $delivery->id])->assertOk();
        $this->post('/f/again', ['email' => 'nobody'])->assertStatus(422);
        $this->runQueue();
        $message = Message::query()->where('kind', '!=', 'confirm')->whereNotNull('person_id')->firstOrFail();
        preg_match('~http://localhost(/u/[!-}]+)~', (string) $message->text, $m);
        $this->get($m[1])->assertOk();
        foreach (['quiet', 'these', 'back', ''] as $choice) {
            $this->post($m[1], ['choose' => $choice])->assertOk();
            $this->get($m[1])->assertOk();
        }
        $this->travel(60)->days();
        $this->get($wait);
        $this->get($link);

        $this->assertNothingElseWasSaid();
    }

    #[TestWith([false])]
    #[TestWith([true])]
    public function test_placed_elsewhere_and_closed(bool $ofFunnel): void
    {
        $this->ofFunnel = $ofFunnel;
        $funnel = $this->asking(false);
        $form = DraftPart::there($funnel->id, FormPlan::kind())->sole()->id;
        $script = (string) $this->get("/e/{$form}.js")->assertOk()->getContent();
        self::assertSame(1, preg_match('/⟦/u', stripslashes($script)) ?: preg_match('/\\\\u27e6/', $script));
        $token = $this->getJson("/e/{$form}/token")->assertOk()->json('token');
        $this->postJson("/e/{$form}", ['email' => 'robin@', 'token' => $token])->assertStatus(422);
        $this->postJson("/e/{$form}", ['email' => 'robin@example.com', 'token' => 'forged'])->assertStatus(422);
        $this->join($funnel, ['email' => 'robin@example.com', 'first_name' => 'Ροβιν', 'phone' => '+49 30 1', 'years' => '3',
            'consent' => 'yes', 'level' => MadeUp::greek('First'), 'more' => [MadeUp::greek('Second')]])->assertStatus(303);
        $this->runQueue();

        $funnel->forceFill(['times' => ['opens' => ['moment' => '2027-06-01T10:00', 'zone' => 'Europe/Berlin']]])->save();
        app(Publishing::class)->publish($funnel->refresh(), null);
        $this->get("/{$funnel->address}")->assertSuccessful();
        $funnel->forceFill(['times' => [], 'closed_at' => CarbonImmutable::now(), 'state' => 'closed'])->save();
        $this->get("/{$funnel->address}");
        $this->post("/{$funnel->address}", ['email' => 'robin@example.com']);
        $this->get("/e/{$form}.js");
        $this->getJson("/e/{$form}/token");
        $this->assertNothingElseWasSaid();
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature\Popups;

use App\Drafts\DraftPlan;
use App\Drafts\DraftRows;
use App\Forms\FormToken;
use App\Models\Funnel;
use App\Models\Site;
use App\Models\User;
use App\Publishing\Publishing;
use App\Support\Ids;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Popups\PopupDesigns;
use Lantern\Core\Support\Shape;
use Tests\TestCase;

/** A live funnel that gives something away, with one pop-up for whoever is about to leave its opt-in page. */
abstract class PopupTestCase extends TestCase
{
    protected User $user;

    protected Funnel $funnel;

    protected string $page;

    protected string $form;

    protected string $popup;

    protected string $visitor;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2027-03-10 11:00:00');
        $this->user = $this->owner();
        $this->funnel = $this->live($this->user);
        $plan = DraftPlan::read($this->funnel);
        $this->page = $plan->entry()->id ?? '';
        $this->form = $plan->forms[0]->id;
        $this->popup = $this->addPopup()->id;
        $this->publish();
        $this->visitor = bin2hex(random_bytes(16));
    }

    /** @param  array<string, mixed>  $with */
    protected function addPopup(array $with = [], string $design = 'popup-card', ?Funnel $funnel = null): Popup
    {
        $funnel ??= $this->funnel;
        $fresh = PopupDesigns::fresh(Ids::next(), 'Before you go', PopupDesigns::get($design), Ids::next(...),
            DraftPlan::read($funnel->refresh())->firstParts());
        $popup = Popup::fromShape(Shape::of($with + ['on' => true] + self::worded($fresh->toArray())));
        DraftRows::add($funnel->refresh(), $popup);

        return $popup;
    }

    /**
     * With words in the place of those that only an owner can say.
     *
     * @param  array<string, mixed>  $written
     * @return array<string, mixed>
     */
    protected static function worded(array $written): array
    {
        $words = (string) preg_replace('/\[[^\]"{}]{3,}\]/u', 'Twelve minutes a day, free', (string) json_encode($written,
            JSON_UNESCAPED_UNICODE));

        return (array) json_decode($words, true);
    }

    protected function publish(?Funnel $funnel = null): void
    {
        $funnel ??= $this->funnel;
        app(Publishing::class)->publish($funnel->refresh(), $this->user);
        $funnel->refresh();
    }

    /** @param  array<string, mixed>  $values */
    protected function change(array $values): void
    {
        $this->funnel->parts()->where('kind', Popup::kind())->findOrFail($this->popup)->change($values)->save();
        $this->publish();
    }

    /** @param  array<string, mixed>  $more */
    protected function ask(array $more = []): TestResponse
    {
        return $this->post('/w/ask', $more + ['funnel' => $this->funnel->id, 'page' => $this->page, 'visitor' => $this->visitor],
            ['Origin' => 'http://localhost']);
    }

    /** @param  array<string, mixed>  $more */
    protected function show(string $ticket, array $more = []): TestResponse
    {
        return $this->post('/w/show', $more + ['ticket' => $ticket, 'popup' => $this->popup, 'trigger' => 'leaving', 'after' => '4200']);
    }

    /** Sees the pop-up on a view of its own. */
    protected function see(): string
    {
        $ticket = (string) $this->ask()->json('ticket');
        $this->show($ticket)->assertJsonPath('show', true);

        return $ticket;
    }

    /** @param  array<string, mixed>  $more */
    protected function joinIn(string $ticket, string $email = 'robin@example.com', array $more = []): TestResponse
    {
        $token = (string) $this->show($ticket)->json('token');
        if ($token === '') {
            $token = FormToken::issue($this->popup);
        }
        $this->travel(5)->seconds();

        return $this->post('/w/join', $more + ['ticket' => $ticket, 'popup' => $this->popup, 'token' => $token, 'form' => $this->form,
            'email' => $email, 'first_name' => 'Robin', 'consent' => 'yes']);
    }

    protected function site(string $origin = 'https://blog.example', ?User $user = null): Site
    {
        return Site::query()->create(['business_id' => ($user ?? $this->user)->business_id, 'name' => 'Practice notes',
            'origin' => $origin]);
    }

    protected function facts(string $type): int
    {
        return DB::table('popup_facts')->where('type', $type)->count();
    }

    protected function anotherBrowser(): void
    {
        $this->defaultCookies = $this->unencryptedCookies = [];
        $this->visitor = bin2hex(random_bytes(16));
    }
}

<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Drafts\DraftPages;
use App\Drafts\DraftParts;
use App\Journey\Events;
use App\Mail\Sending\Feedback;
use App\Mail\Sending\MessageSender;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Support\Ids;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineMoment;
use Lantern\Core\Deadlines\Edge;
use Lantern\Core\Deadlines\GuardedPage;
use Lantern\Core\Deadlines\Lasting;
use Lantern\Core\Deadlines\LastWarning;
use Lantern\Core\Emails\MessageState;
use Lantern\Core\Events\Trigger\Bought;
use Lantern\Core\Events\Trigger\EmailClicked;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;

/** The introductory price of the demo: offered to those who have had the practice plan for a while, and theirs for three days. */
final class DemoOffer
{
    private string $sequence = '';

    private string $email = '';

    /** @var list<string> people who have not been written to yet */
    private array $people = [];

    public function __construct(
        private readonly DraftPages $pages,
        private readonly Events $events,
        private readonly Feedback $feedback,
        private readonly MessageSender $sender,
    ) {
    }

    /** The parts of the funnel: a sales page of its own, the deadline, and the emails around its end. */
    public function add(Funnel $funnel, Offer $introductory): void
    {
        $regular = $this->page($funnel, 'Sales page');
        $checkout = $this->page($funnel, 'Checkout, introductory');
        [$page] = $this->pages->duplicate($regular->refresh()->load('funnel'));
        $document = json_decode((string) preg_replace('/"offer":"[^"]*"/', '"offer":"'.$introductory->id.'"',
            (string) json_encode($page->definition['document'])), true);
        $deadline = Ids::next();
        $count = ['id' => 'd-count', 'kind' => 'countdown', 'style' => 'bar-top', 'text' => 'Your introductory price holds until',
            'until' => '', 'deadline' => $deadline];
        $boxes = ['id' => 'd-boxes', 'kind' => 'countdown', 'style' => 'boxes', 'text' => 'Yours until', 'until' => '',
            'deadline' => $deadline];
        array_splice($document['sections'][1]['blocks'], 2, 0, [$boxes]);
        array_unshift($document['sections'][1]['blocks'], $count);
        $page->change(['name' => 'Sales page, introductory', 'address' => 'introductory', 'document' => $document])->save();
        DB::table('ways')->where('page_id', $page->id)->delete();
        foreach ([[$regular->id, 'chose', $this->page($funnel, 'Checkout page')->id], [$page->id, 'chose', $checkout->id], [$page
            ->id, 'time-ran-out', $regular->id],
            [$checkout->id, 'time-ran-out', $regular->id]] as [$from, $outcome, $to]) {
            DB::table('ways')->where('page_id', $from)->where('outcome', $outcome)->delete();
            DB::table('ways')->insert(['funnel_id' => $funnel->id, 'page_id' => $from, 'outcome' => $outcome, 'to_page' => $to]);
        }
        $this->sequence = DraftParts::add($funnel, new SequencePlan(Ids::next(), 'The offer', ends: new Triggers([new Bought])))->id;
        $this->email = $this->mail($funnel, 'The introductory price', 'First Season, a hundred less for you',
            '<p>You have had the practice plan for a while. If twelve minutes a day have done you good, First Season takes you on: twelve '
            .'weeks, from open strings to your first melody.</p><p>For three days from when you look, it is 190 for you instead of 290.</p>'
            ."<p><a href=\"{{page_{$page->id}}}\">Have a look at First Season</a></p>", null);
        DraftParts::add($funnel, new Deadline($deadline, 'Introductory price', new Triggers([new EmailClicked($this->email)]),
            Lasting::days(3, '20:00'), grace: 10, pages: [new GuardedPage($page->id, $regular->id),
                new GuardedPage($checkout->id, $regular->id)], offers: [$introductory->id],
            warning: new LastWarning(60, 'Within the hour the introductory price is over: First Season is 290 after that.')));
        $this->mail($funnel, 'One day left', 'Until tomorrow at this time',
            "<p>your introductory price for First Season ends on {{deadline_{$deadline}}}.</p><img src=\"countdown:{$deadline}\" alt=\"\">"
            ."<p><a href=\"{{page_{$page->id}}}\">See First Season</a></p>", DeadlineMoment::of($deadline, Edge::End, days: -1));
        $this->mail($funnel, 'Three hours left', 'Three hours left',
            "<p>a last word: {{deadline_left_{$deadline}}} from now the price goes up by a hundred. If you would rather not, all is well: "
            ."the practice plan stays yours.</p><p><a href=\"{{page_{$page->id}}}\">See First Season</a></p>",
            DeadlineMoment::of($deadline, Edge::End, minutes: -180));
        $this->mail($funnel, 'The regular price', 'The door stays open',
            '<p>the introductory price is over. First Season itself is not: the door stays open.</p>'
            ."<p><a href=\"{{page_{$regular->id}}}\">First Season at the regular price</a></p>",
            DeadlineMoment::of($deadline, Edge::End, days: 1, hour: 9));
    }

    private function mail(Funnel $funnel, string $name, string $subject, string $body, ?DeadlineMoment $by): string
    {
        return DraftParts::add($funnel, new EmailPlan(Ids::next(), $name, $subject,
            "<p>Hello {{first_name|there}},</p>{$body}<p>Warmly,<br>Imke</p>", Delay::atOnce(), $this->sequence, by: $by))->id;
    }

    private function page(Funnel $funnel, string $name): DraftPart
    {
        return DraftPart::there($funnel->id, PagePlan::kind())->where('name', $name)->firstOrFail();
    }

    /** Those who will be written to, in the order in which they joined. */
    public function to(int $most): void
    {
        $this->people = array_values(Person::query()->where('pending', false)->whereNull('unsubscribed_at')->whereNull('suppressed')
            ->orderBy('joined_at')->limit($most)->pluck('id')->map(fn ($id): string => (string) $id)->all());
    }

    /**
     * Some are written to on a day, and most of them look.
     *
     * @return list<array{Person, CarbonImmutable}> who looked, and when
     */
    public function day(Funnel $funnel, CarbonImmutable $day, int $count, DemoCrowd $crowd, CarbonImmutable $end): array
    {
        $looked = [];
        foreach (array_splice($this->people, 0, $count) as $id) {
            $at = $day->setTime(9, $crowd->between(0, 59));
            $person = Person::query()->with('business')->findOrFail($id);
            if ($at >= $end || ! $this->entered($person, $funnel, $at)) {
                continue;
            }
            $at = $at->addMinutes($crowd->between(3, 600));
            $message = Message::query()->with(['person.business', 'business', 'funnel.liveVersion'])->where('person_id', $id)
                ->where('email_id', $this->email)->first();
            if ($message !== null && $at < $end && $crowd->chance(0.62)) {
                CarbonImmutable::setTestNow($at);
                $this->feedback->clicked($message, $funnel->url('introductory'), $at);
                $looked[] = [$person, $at->addMinutes($crowd->between(2, 40))];
            }
        }

        return $looked;
    }

    private function entered(Person $person, Funnel $funnel, CarbonImmutable $at): bool
    {
        CarbonImmutable::setTestNow($at);

        return $this->events->enter($person, $funnel, $this->sequence, $at);
    }

    /** What has become due by now is sent, each at its moment. */
    public function send(CarbonImmutable $until): void
    {
        foreach (Message::query()->where('sequence_id', $this->sequence)->where('state', MessageState::Waiting)
            ->where('due_at', '<=', Instant::sql($until))->orderBy('due_at')->get(['id', 'due_at']) as $message) {
            CarbonImmutable::setTestNow($message->due_at);
            $this->sender->send($message->id);
        }
        CarbonImmutable::setTestNow($until);
    }
}

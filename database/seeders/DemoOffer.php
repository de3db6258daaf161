<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Journey\Events;
use App\Mail\Sending\Feedback;
use App\Mail\Sending\MessageSender;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Plan\PagePlan;
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
        private readonly Events $events,
        private readonly Feedback $feedback,
        private readonly MessageSender $sender,
    ) {
    }

    /** What the starter brought along, in Imke's words. */
    public function write(Funnel $funnel): void
    {
        $page = $this->part($funnel, PagePlan::kind(), 'Sales page, introductory');
        $document = $page->definition['document'];
        array_unshift($document['sections'][1]['blocks'], ['id' => 'demo-bar', 'kind' => 'countdown', 'style' => 'bar-top',
            'text' => 'Your introductory price holds until', 'until' => '',
            'deadline' => $this->part($funnel, Deadline::kind(), 'Introductory price')->id]);
        $page->change(['document' => $document])->save();
        $this->part($funnel, Deadline::kind(), 'Introductory price')->change(['warning' => ['minutes' => 60,
            'text' => 'Within the hour the introductory price is over: First Season is 290 after that.']])->save();
        $this->sequence = $this->part($funnel, SequencePlan::kind(), 'The offer')->id;
        $email = $this->part($funnel, EmailPlan::kind(), 'The introductory price');
        $this->email = $email->id;
        $email->change(['subject' => 'First Season, a hundred less for you',
            'body' => '<p>Hello {{first_name|there}},</p><p>you have had the '
            .'practice plan for a while. If twelve minutes a day have done you good, First Season takes you on: twelve weeks, from open '
            .'strings to your first melody.</p><p>For three days from when you look, it is 190 for you instead of 290.</p><p><a '
            ."href=\"{{page_{$page->id}}}\">Have a look at First Season</a></p><p>Warmly,<br>Imke</p>"])->save();
    }

    private function part(Funnel $funnel, string $kind, string $name): DraftPart
    {
        return DraftPart::there($funnel->id, $kind)->where('name', $name)->firstOrFail();
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

<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use App\Mail\Emails\WrittenEmail;
use App\Models\Business;
use App\Models\Confirmation;
use App\Models\Message;
use App\Models\Order;
use App\Models\Person;
use App\Models\Registration;
use App\Models\RuleRun;
use App\Models\Submission;
use App\Models\Version;
use App\Support\Ids;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeInterface;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Journey\Effects\SendEmail;
use Lantern\Core\Journey\Effects\SendOneEmail;
use Lantern\Core\Messages\LateSession;
use Lantern\Core\Messages\MessageKind;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Messages\Queue;

/** Plans messages: each has a key that can be used once, so that nothing is ever planned twice. */
final class Planner
{
    private const MOST_ASKED_A_DAY = 5;

    /** Minutes. */
    private const TELLS_LATE_AFTER = 5;

    public function planSequenceEmail(Version $version, Person $person, SendEmail $effect): void
    {
        $email = $version->plan()->email($effect->email);
        $turn = EmailTurns::of($email, $person->id);
        $this->plan($turn->key($effect->email, $person->id), EmailTurns::columns($turn) + [
            'business_id' => $person->business_id, 'person_id' => $person->id, 'funnel_id' => $version->funnel_id,
            'version_id' => $version->id,
            'email_id' => $effect->email, 'sequence_id' => $email?->sequence === '' ? null : $email?->sequence,
            'kind' => MessageKind::Sequence->value, 'name' => $email->name ?? 'Email',
            'to_address' => $person->email, 'due_at' => Instant::sql($effect->at),
        ]);
    }

    /** An email that a rule sends: once each time it acts, also to somebody who has had it before. */
    public function planOneEmail(Version $version, Person $person, SendOneEmail $effect, ?RuleRun $run): void
    {
        $email = $version->plan()->email($effect->email);
        $turn = EmailTurns::of($email, $person->id);
        $this->plan('rule:'.($run->id ?? Ids::next()).":{$effect->email}", EmailTurns::columns($turn) + [
            'business_id' => $person->business_id, 'person_id' => $person->id, 'funnel_id' => $version->funnel_id,
            'version_id' => $version->id, 'email_id' => $effect->email, 'sequence_id' => $effect->sequence ?: null,
            'kind' => MessageKind::Sequence->value, 'name' => $email->name ?? 'Email',
            'to_address' => $person->email, 'due_at' => Instant::sql($effect->at),
        ]);
    }

    /** What a rule has to tell of somebody, to the owner. */
    public function planPersonNotice(Person $person, string $words, string $rule, ?RuleRun $run): void
    {
        $this->plan('rule-tells:'.($run->id ?? Ids::next()).':'.hash('xxh64', $words), [
            'business_id' => $person->business_id, 'person_id' => null, 'kind' => MessageKind::Notice->value,
            'name' => 'What a rule tells you', 'to_address' => $person->business->sender_address,
            'due_at' => Instant::sql(CarbonImmutable::now()),
            'content' => json_encode(['told' => $words, 'rule' => $rule, 'of' => $person->id], JSON_THROW_ON_ERROR),
        ]);
    }

    /** Tells the owner, once a day for each rule, that one was stopped or could not do what it should. */
    public function planRuleNotice(Business $business, string $rule, string $name, string $trouble): void
    {
        $now = CarbonImmutable::now();
        $this->plan("rule-trouble:{$rule}:".$now->setTimezone($business->zone())->format('Y-m-d'), [
            'business_id' => $business->id, 'person_id' => null, 'kind' => MessageKind::Notice->value, 'name' => 'A rule has trouble',
            'to_address' => $business->sender_address, 'due_at' => Instant::sql($now),
            'content' => json_encode(['ruleTrouble' => $trouble, 'rule' => $name], JSON_THROW_ON_ERROR),
        ]);
    }

    /** The question whether an address is theirs. */
    public function planConfirmation(Submission $submission, Confirmation $confirmation): void
    {
        $this->plan("confirm:{$confirmation->id}", [
            'business_id' => $submission->funnel->business_id, 'person_id' => $submission->person_id, 'funnel_id' => $submission->funnel_id,
            'version_id' => $submission->version_id,
            'kind' => MessageKind::Confirmation->value, 'name' => 'Confirmation',
            'to_address' => $submission->answers['email'] ?? $submission->person->email, 'due_at' => Instant::sql(CarbonImmutable::now()),
            'content' => json_encode(['confirmation' => $confirmation->id], JSON_THROW_ON_ERROR),
        ]);
    }

    /**
     * May a message that anybody can bring about go to this person's address? So many a day, whatever forms are filled in.
     */
    public function mayAsk(string $person): bool
    {
        return DB::table('messages')->where('person_id', $person)
            ->where(fn ($q) => $q->whereIn('kind', [MessageKind::Confirmation->value, MessageKind::NewLink->value])
                ->orWhere(fn ($q) => $q->where('kind', MessageKind::Session->value)->where('content->what', 'again')))
            ->where('created_at', '>', Instant::sql(CarbonImmutable::now()->subDay()))->count() < self::MOST_ASKED_A_DAY;
    }

    /** Tells the owner that a form was filled in. */
    public function planNotice(Submission $submission): void
    {
        $business = $submission->funnel->business;
        $this->plan("notice:{$submission->id}", [
            'business_id' => $business->id, 'person_id' => null, 'funnel_id' => $submission->funnel_id,
            'kind' => MessageKind::Notice->value, 'name' => 'Notice of a new person',
            'to_address' => $business->sender_address, 'due_at' => Instant::sql(CarbonImmutable::now()),
            'content' => json_encode(['submissions' => [$submission->id]], JSON_THROW_ON_ERROR),
        ]);
    }

    /**
     * The email of the day about everybody new.
     *
     * @param  list<string>  $submissions
     */
    public function planDigest(Business $business, string $day, array $submissions): void
    {
        $this->plan("digest:{$business->id}:{$day}", [
            'business_id' => $business->id, 'person_id' => null, 'kind' => MessageKind::Notice->value, 'name' => 'The day’s new people',
            'to_address' => $business->sender_address,
            'due_at' => Instant::sql(CarbonImmutable::now()),
            'content' => json_encode(['submissions' => $submissions, 'day' => $day], JSON_THROW_ON_ERROR),
        ]);
    }

    /**
     * The week that is over, once.
     *
     * @param  string  $monday  on which it goes out
     * @param  list<string>  $lines
     */
    public function planReport(Business $business, string $monday, array $lines): void
    {
        $this->plan("report:{$business->id}:{$monday}", [
            'business_id' => $business->id, 'person_id' => null, 'kind' => MessageKind::Notice->value, 'name' => 'The week in six lines',
            'to_address' => $business->sender_address, 'due_at' => Instant::sql(CarbonImmutable::now()),
            'content' => json_encode(['report' => $lines], JSON_THROW_ON_ERROR),
        ]);
    }

    /**
     * Tells the owner that somebody has become warm.
     *
     * @param  int  $event  that says so, once
     */
    public function planWarmNotice(Person $person, int $event): void
    {
        $this->plan("warm:{$event}", [
            'business_id' => $person->business_id, 'person_id' => null, 'kind' => MessageKind::Notice->value,
            'name' => 'Somebody became warm',
            'to_address' => $person->business->sender_address, 'due_at' => Instant::sql(CarbonImmutable::now()),
            'content' => json_encode(['warm' => $person->id], JSON_THROW_ON_ERROR),
        ]);
    }

    /** Tells the owner that somebody has begun a guide, or finished it: once each. */
    public function planReaderNotice(Person $person, string $guide, bool $finished): void
    {
        $this->plan('reader:'.($finished ? 'finished' : 'begun').":{$guide}:{$person->id}", [
            'business_id' => $person->business_id, 'person_id' => null, 'kind' => MessageKind::Notice->value,
            'name' => $finished ? 'Somebody finished a guide' : 'A new reader',
            'to_address' => $person->business->sender_address, 'due_at' => Instant::sql(CarbonImmutable::now()),
            'content' => json_encode(['readers' => [[$person->id, $guide, $finished]]], JSON_THROW_ON_ERROR),
        ]);
    }

    /**
     * The email of the day about readers of guides.
     *
     * @param  list<array{string, string, bool}>  $readers  person, guide, and whether they finished it
     */
    public function planReaderDigest(Business $business, string $day, array $readers): void
    {
        $this->plan("readers:{$business->id}:{$day}", [
            'business_id' => $business->id, 'person_id' => null, 'kind' => MessageKind::Notice->value, 'name' => 'The day’s readers',
            'to_address' => $business->sender_address, 'due_at' => Instant::sql(CarbonImmutable::now()),
            'content' => json_encode(['readers' => $readers, 'day' => $day], JSON_THROW_ON_ERROR),
        ]);
    }

    /** Tells the owner, once a day, that the disk is nearly full. */
    public function planDiskNotice(Business $business, int $megabytes): void
    {
        $now = CarbonImmutable::now();
        $this->plan("disk:{$business->id}:".$now->setTimezone($business->zone())->format('Y-m-d'), [
            'business_id' => $business->id, 'person_id' => null, 'kind' => MessageKind::Notice->value, 'name' => 'The disk is nearly full',
            'to_address' => $business->sender_address, 'due_at' => Instant::sql($now),
            'content' => json_encode(['megabytes' => $megabytes], JSON_THROW_ON_ERROR),
        ]);
    }

    /**
     * An email written out already, to the owner, to be looked at in their own mail program.
     *
     * @param  Person|null  $reader  on whom it was tried
     */
    public function planTest(Business $business, ?string $funnel, WrittenEmail $email, ?Person $reader): string
    {
        $id = Ids::next();
        $this->plan("test:{$id}", ['id' => $id, 'business_id' => $business->id, 'person_id' => null, 'funnel_id' => $funnel,
            'kind' => MessageKind::Test->value, 'name' => 'Test',
            'to_address' => $business->sender_address, 'due_at' => Instant::sql(CarbonImmutable::now()), 'content' => json_encode(
                ['subject' => 'Test: '.$email->subject, 'html' => $email->html, 'text' => $email->text, 'person' => $reader?->id],
                JSON_THROW_ON_ERROR)]);

        return $id;
    }

    /** A new download link for somebody whose link has run out: once an hour at most, however often it is asked for. */
    public function planNewLink(Person $person, string $funnel): void
    {
        $now = CarbonImmutable::now();
        if (! $this->mayAsk($person->id)) {
            return;
        }
        $this->plan('new-link:'.$person->id.':'.$now->utc()->format('YmdH'), [
            'business_id' => $person->business_id, 'person_id' => $person->id, 'funnel_id' => $funnel, 'version_id' => null,
            'email_id' => null,
            'kind' => MessageKind::NewLink->value, 'name' => 'New download link', 'to_address' => $person->email,
            'due_at' => Instant::sql($now),
        ]);
    }

    /**
     * About an order: to its buyer, or to the owner.
     *
     * @param  string  $key  once for which it is planned
     * @param  array<string, mixed>  $content  what it is about
     */
    public function planAboutOrder(MessageKind $kind, string $key, Order $order, string $name, DateTimeInterface $at, array $content,
        bool $toOwner = false): void
    {
        $this->plan($key, ['business_id' => $order->business_id, 'person_id' => $toOwner ? null : $order->person_id,
            'funnel_id' => $order->funnel_id, 'version_id' => $order->version_id, 'kind' => $kind->value, 'name' => $name,
            'to_address' => $toOwner ? $order->business->sender_address : $order->email, 'due_at' => Instant::sql($at),
            'content' => json_encode($content, JSON_THROW_ON_ERROR)]);
    }

    /**
     * What somebody must know of their session of a webinar, each change once.
     *
     * @param  string  $what  that happened to it
     */
    public function planAboutSession(Registration $registration, string $what, DateTimeInterface $at): void
    {
        $registration->loadMissing('person');
        if ($what === 'again' && ! $this->mayAsk($registration->person_id)) {
            return;
        }
        $this->plan("session:{$what}:{$registration->id}:".($what === 'again' ? CarbonImmutable::instance($at)->utc()->format('YmdH')
            : $registration->number), ['business_id' => $registration->business_id, 'person_id' => $registration->person_id,
                'funnel_id' => $registration->funnel_id, 'version_id' => $registration->version_id, 'kind' => MessageKind::Session->value,
                'name' => 'About their session', 'to_address' => $registration->person->email, 'due_at' => Instant::sql($at),
                'content' => json_encode(['registration' => $registration->id, 'what' => $what], JSON_THROW_ON_ERROR)]);
    }

    /**
     * To the owner: a question from the room of a webinar, or news of a session.
     *
     * @param  string  $key  once for which it is planned
     * @param  array<string, mixed>  $content  what it is about
     */
    public function planRoomNotice(Business $business, string $funnel, string $key, DateTimeInterface $at, array $content): void
    {
        $this->plan($key, ['business_id' => $business->id, 'person_id' => null, 'funnel_id' => $funnel,
            'kind' => MessageKind::RoomNotice->value, 'name' => 'News of a webinar', 'to_address' => $business->sender_address,
            'due_at' => Instant::sql($at), 'content' => json_encode($content, JSON_THROW_ON_ERROR)]);
    }

    /** Something kept emails about a session from going out: the owner hears of it, once for each session, and of how many. */
    public function planLateSession(Message $message, LateSession $late, CarbonImmutable $now): void
    {
        // By then others that came too late are found as well.
        $this->planRoomNotice($message->business, (string) $message->funnel_id, "late:{$late->webinar}:{$late->session}",
            $now->addMinutes(self::TELLS_LATE_AFTER), ['late' => $late->webinar, 'session' => $late->session]);
    }

    /** @param  array<string, mixed>  $message */
    private function plan(string $key, array $message): void
    {
        $now = CarbonImmutable::now();
        $due = Queue::isAtOnce(new CarbonImmutable((string) $message['due_at'], 'UTC'), MessageSender::quotaLeft(
            (int) $message['business_id'], $now, MessageKind::from((string) $message['kind'])), $now);
        $id = is_string($message['id'] ?? null) ? $message['id'] : Ids::next();
        $planned = DB::table('messages')->insertOrIgnore($message + [
            'id' => $id, 'unique_key' => $key, 'state' => MessageState::Waiting, 'queued_at' => $due ? Instant::sql($now) : null,
            'created_at' => Instant::sql($now), 'updated_at' => Instant::sql($now),
        ]);
        if ($planned === 1 && $due) {
            SendMessage::dispatch($id);
        }
    }
}

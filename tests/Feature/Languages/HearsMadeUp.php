<?php

declare(strict_types=1);

namespace Tests\Feature\Languages;

use App\Drafts\DraftPlan;
use App\Languages\PhraseBook;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\User;
use App\Publishing\Publishing;
use Illuminate\Foundation\Http\Events\RequestHandled;
use Illuminate\Support\Facades\Event;
use Lantern\Core\Plan\PartKinds;
use Lantern\Core\Support\Shape;
use Tests\MadeUp;

/** A business that speaks the made-up language, and an ear on all that its visitors are told. */
trait HearsMadeUp
{
    /** Are the words those of the funnel, and not of its business? Then nothing that belongs to it may go past them. */
    private bool $ofFunnel = false;

    /** @var array<string, list<string>> what was said in Latin letters, by where */
    private array $heard = [];

    private int $answers = 0;

    protected function owner(string $email = 'imke@ferncroft.example'): User
    {
        $user = parent::owner($email);
        $user->business->forceFill(['language' => MadeUp::TAG, 'phrases' => [MadeUp::TAG => MadeUp::phrases(
            app(PhraseBook::class)->english())], 'name' => MadeUp::greek('Ferncroft Cello Room'), 'sender_name' => MadeUp::greek('Imke'),
            'postal_address' => MadeUp::greek('3 Ferncroft Yard'), 'tax_name' => MadeUp::greek('Tax')])->save();
        // Whatever a browser asks for, the page's own language holds.
        $this->withHeader('Accept-Language', 'en-US,en;q=0.9');
        $this->listen();

        return $user->refresh();
    }

    private function listen(): void
    {
        Event::listen(RequestHandled::class, function (RequestHandled $handled): void {
            $path = $handled->request->path();
            $type = (string) $handled->response->headers->get('Content-Type');
            $content = (string) $handled->response->getContent();
            // What stands behind a way on, no browser shows.
            if (str_starts_with($path, 'studio') || str_starts_with($path, 'pay/calls')
                || ($this->ofFunnel && $this->isNobodys($path, $handled->response->getStatusCode()))
                    || $handled->response->isRedirection()) {
                return;
            }
            $this->answers++;
            $where = $handled->request->method().' /'.preg_replace('~[0-9a-z]{20,}~', '…', $path).' '.$handled->response->getStatusCode();
            $json = json_decode($content, true);
            $this->hear($where, match (true) {
                str_contains($type, 'html') => MadeUp::foundInHtml($content),
                is_array($json) => MadeUp::foundIn($json, 'json'),
                str_contains($type, 'calendar') => $this->inCalendar($content),
                default => [],
            });
        });
    }

    /** What belongs to no funnel: an address there is not, all purchases of somebody, the fields of a card, a form or room there is not. */
    private function isNobodys(string $path, int $status): bool
    {
        return preg_match('~^(nothing-here$|my/[0-9a-z]{26}/|my/open/nothing|pay/practice/(card|bank/nothing)|f/again)~', $path) === 1
            || ($status === 404 && preg_match('~^[er]/~', $path) === 1);
    }

    /** @param  list<string>  $found */
    private function hear(string $where, array $found): void
    {
        if ($found !== []) {
            $this->heard[$where] = array_values(array_unique([...$this->heard[$where] ?? [], ...$found]));
        }
    }

    /** @return list<string> */
    private function inCalendar(string $ics): array
    {
        preg_match_all('/^(?:SUMMARY|DESCRIPTION|LOCATION)[^:\r\n]*:(.*)$/m', str_replace("\r\n ", '', $ics), $m);

        return array_merge([], ...array_map(fn (string $line): array => MadeUp::found(str_replace('\n', "\n", $line), 'calendar'), $m[1]));
    }

    /** What the owner wrote, in letters that nobody takes for a phrase; published. */
    private function inGreek(Funnel $funnel): Funnel
    {
        foreach (DraftPart::query()->where('funnel_id', $funnel->id)->get() as $row) {
            $row->put(PartKinds::named($row->kind)::fromShape(Shape::of(['id' => $row->id] + MadeUp::greekIn($row->definition))))->save();
        }
        $funnel = Funnel::query()->findOrFail($funnel->id);
        $phrases = $funnel->business->phrases;
        $funnel->forceFill(['language' => MadeUp::TAG, 'phrases' => $this->ofFunnel ? $phrases : []])->save();
        if ($this->ofFunnel) {
            $funnel->business->forceFill(['phrases' => []])->save();
        }
        app(Publishing::class)->publish($funnel, null);
        self::assertSame(MadeUp::TAG, DraftPlan::read($funnel->refresh())->language);

        return $funnel;
    }

    /** Everything that was said, also in the emails that are on their way or there. */
    private function assertNothingElseWasSaid(): void
    {
        $this->artisan('lantern:due');
        $this->runQueue();
        $emails = 0;
        foreach (Message::query()->whereNotNull('html')->get() as $message) {
            if ($message->person_id === null) {
                continue; // To the owner, in English.
            }
            $emails++;
            $this->hear("email {$message->kind->value}: subject", MadeUp::found((string) $message->subject, ''));
            $this->hear("email {$message->kind->value}: html", MadeUp::foundInHtml((string) $message->html));
            $this->hear("email {$message->kind->value}: text", MadeUp::found((string) $message->text, ''));
        }
        self::assertGreaterThan(0, $this->answers);
        self::assertGreaterThan(0, $emails, 'no email was looked at');
        self::assertSame([], $this->heard);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Languages\SiteLanguage;
use App\Languages\Voices;
use App\Mail\Unsubscribing\Unsubscribe;
use App\Models\Message;
use App\Models\Person;
use App\Serving\PlainPage;
use Illuminate\Http\Request;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Messages\MessageKind;
use Symfony\Component\HttpFoundation\Response;

/**
 * Unsubscribing from the link in an email, or choosing less instead of none. Opening the link only asks, since mail
 * programs open links by themselves; pressing a button, or the mail program's own one-click request (RFC 8058), does it.
 */
final readonly class UnsubscribeController
{
    public function __construct(private Unsubscribe $unsubscribe, private SiteLanguage $language)
    {
    }

    public function ask(Request $request, string $message): Response
    {
        $found = $this->message($request, $message);

        return ($found === null ? PlainPage::notHere()
            : PlainPage::unsubscribe($request->getRequestUri(), $found->business->name, $this->less($found)))->response();
    }

    public function leave(Request $request, string $message): Response
    {
        $found = $this->message($request, $message);
        $person = $found?->person;
        if ($found === null || $person === null) {
            return PlainPage::notHere()->response();
        }
        $back = $request->getRequestUri();
        $name = $found->business->name;
        $choice = $request->input('choose');
        if ($choice === 'back') {
            $this->unsubscribe->back($person);

            return PlainPage::subscribedAgain($name)->response();
        }
        if ($choice === 'quiet') {
            $this->unsubscribe->quiet($person);

            return PlainPage::quiet($name, $back)->response();
        }
        if ($choice === 'these' && $this->kind($found) !== null) {
            $this->unsubscribe->from($person, $this->kind($found), $found);

            return PlainPage::lessOften($name, $back)->response();
        }
        // Anything else, the mail program's own request among it, is what it says on the link.
        $this->unsubscribe->unsubscribe($person, $found);

        return PlainPage::unsubscribed($name, $back)->response();
    }

    /** What this email is one of, as opting out of it names it. */
    private function kind(Message $message): ?string
    {
        return $message->kind === MessageKind::Broadcast ? 'broadcasts' : $message->sequence_id;
    }

    /** @return array<string, Phrase> choices beside leaving altogether, with the words on their buttons */
    private function less(Message $message): array
    {
        $person = $message->person;
        if (! $person instanceof Person || $person->unsubscribed_at !== null) {
            return [];
        }

        return array_filter([
            'these' => match (true) {
                $message->kind === MessageKind::Broadcast => Phrase::of('notice.leave.no_news'),
                $this->kind($message) !== null => Phrase::of('notice.leave.no_series'),
                default => null,
            },
            'quiet' => Phrase::of('notice.leave.quiet'),
        ]);
    }

    private function message(Request $request, string $id): ?Message
    {
        $found = ! $request->hasValidSignature(false) ? null : Message::query()->with(['person.business', 'business', 'funnel.liveVersion'])
            ->where('id', $id)->first();
        if ($found !== null) {
            $found->funnel === null ? $this->language->is(Voices::languageOf($found), $found->business)
                : $this->language->ofFunnel(Voices::languageOf($found), $found->funnel);
        }

        return $found;
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Models\Message;
use App\Signups\Unsubscribe;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Unsubscribing from the link in a letter. Opening the link only asks, since mail programs open links by
 * themselves; pressing the button, or the mail program's own one-click request (RFC 8058), does it.
 */
final readonly class UnsubscribeController
{
    public function __construct(private Unsubscribe $unsubscribe)
    {
    }

    public function ask(Request $request, string $message): Response
    {
        $found = $this->message($request, $message);

        return ($found === null ? Notice::notHere() : Notice::unsubscribe($request->getRequestUri(), $found->business->name))->response();
    }

    public function leave(Request $request, string $message): Response
    {
        $found = $this->message($request, $message);
        if ($found === null) {
            return Notice::notHere()->response();
        }
        $this->unsubscribe->of($found->person, $found);

        return Notice::unsubscribed($found->business->name)->response();
    }

    private function message(Request $request, string $id): ?Message
    {
        return $request->hasValidSignature(false) ? Message::query()->with(['person', 'business'])->find($id) : null;
    }
}

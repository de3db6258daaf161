<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** Keeps a session for whoever is signed in or about to sign in, and nothing for anybody else who comes by. */
final class StudioSession extends StartSession
{
    /** Where signing in begins: from here a browser gets the token that its next request must bring. */
    private const BEGINNING = ['studio/api/session', 'studio/api/setup'];

    protected function saveSession($request): void
    {
        if ($this->isKept($request)) {
            parent::saveSession($request);
        }
    }

    protected function addCookieToResponse(Response $response, Session $session): void
    {
        if ($this->isKept(request())) {
            parent::addCookieToResponse($response, $session);
        }
    }

    private function isKept(Request $request): bool
    {
        return Auth::check() || $request->is(...self::BEGINNING) || $request->cookies->has((string) config('session.cookie'));
    }
}

<?php

declare(strict_types=1);

namespace App\Support;

/** The kinds of answers there are, and the headers of each: the one place where they are set. */
enum AnswerKind
{
    /** The Studio's screen and its API: no foreign script, no frame of others around it, nothing kept by others. */
    case Studio;
    /** A draft inside the Studio: drawn, never run. */
    case Draft;
    /** A page that visitors see. */
    case Page;
    /** Such a page with code of its owner's, which may do what they put it there for. */
    case PageWithCode;
    /** A picture or video of a page. */
    case Media;
    /** A file that somebody downloads. */
    case Download;
    /** A script or data for pages elsewhere. */
    case Embed;
    /** Anything else: nothing that a browser would draw. */
    case Plain;

    private const NOT_ALLOWED = 'camera=(), microphone=(), geolocation=(), payment=(), usb=()';

    /** @return array<string, string> */
    public function headers(): array
    {
        return ['X-Content-Type-Options' => 'nosniff', 'Permissions-Policy' => self::NOT_ALLOWED,
            'Content-Security-Policy' => $this->policy(), 'Referrer-Policy' => $this->referrer()] + match ($this) {
                self::Studio, self::Draft => ['Cache-Control' => 'no-store, private', 'Cross-Origin-Opener-Policy' => 'same-origin',
                    'Cross-Origin-Resource-Policy' => 'same-origin', 'X-Frame-Options' => 'SAMEORIGIN'],
                self::Page, self::PageWithCode => ['X-Frame-Options' => 'SAMEORIGIN'],
                self::Download, self::Plain => ['Cache-Control' => 'private, no-store'],
                self::Embed => ['Access-Control-Allow-Origin' => '*', 'Access-Control-Allow-Methods' => 'GET, POST, OPTIONS',
                    'Access-Control-Allow-Headers' => 'Content-Type', 'Cross-Origin-Resource-Policy' => 'cross-origin'],
                self::Media => [],
            };
    }

    private function policy(): string
    {
        $site = Hosts::areSeparate() ? ' '.Hosts::site() : '';

        return match ($this) {
            self::Studio => "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:{$site}; "
                ."media-src 'self'{$site}; font-src 'self' data:; connect-src 'self'; frame-src 'self'; frame-ancestors 'self'; "
                ."base-uri 'none'; form-action 'self'; object-src 'none'",
            self::Draft => "default-src 'none'; style-src 'self' 'unsafe-inline'; img-src 'self' data:{$site}; media-src 'self'{$site}; "
                ."font-src 'self'; frame-ancestors 'self'; base-uri 'none'; form-action 'none'",
            self::Page => "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; base-uri 'none'; object-src 'none'; "
                ."form-action 'self'; frame-ancestors 'self'",
            self::PageWithCode => "default-src 'self' https: data: blob: 'unsafe-inline' 'unsafe-eval'; base-uri 'none'; object-src "
                ."'none'; "
                ."frame-ancestors 'self'",
            self::Media, self::Download => "default-src 'none'; frame-ancestors 'none'; sandbox",
            self::Embed, self::Plain => "default-src 'none'; base-uri 'none'; frame-ancestors 'none'",
        };
    }

    private function referrer(): string
    {
        return match ($this) {
            self::Studio, self::Draft => 'same-origin',
            self::Download => 'no-referrer',
            default => 'strict-origin-when-cross-origin',
        };
    }
}

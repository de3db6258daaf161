<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\RedirectResponse;

/**
 * A form on a page of ours is sent to us and to nobody else, and browsers hold us to it (`form-action`), also where our answer would
 * lead the form elsewhere. So an answer to a form that leads to another host is a page that leads on by itself.
 */
final class Onward
{
    /** @param  string  $front  the host that was asked, as in `https://pages.example` */
    public static function leavesUs(string $url, string $front): bool
    {
        $origin = fn (string $of): string => strtolower(parse_url($of, PHP_URL_SCHEME).'://'.parse_url($of, PHP_URL_HOST).':'
            .parse_url($of, PHP_URL_PORT));

        return preg_match('~^[a-z][a-z0-9+.-]*:~i', $url) === 1 && $origin($url) !== $origin($front);
    }

    /** The same answer as a page: with its cookies, and the way as a link for whoever is not led on. */
    public static function instead(RedirectResponse $redirect): Response
    {
        $url = e($redirect->getTargetUrl());
        $page = new Response('<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" '
            .'content="width=device-width"><meta name="robots" content="noindex">'
            .'<meta http-equiv="refresh" content="0;url='.$url.'"><title>One moment</title></head>'
            .'<body style="font:1.125rem/1.6 system-ui,sans-serif;padding:2rem"><p><a href="'.$url.'">Go on</a></p></body></html>', 200,
            AnswerKind::Page->headers() + ['Cache-Control' => 'private, no-store', 'Referrer-Policy' => 'no-referrer']);
        foreach ($redirect->headers->getCookies() as $cookie) {
            $page->headers->setCookie($cookie);
        }

        return $page;
    }
}

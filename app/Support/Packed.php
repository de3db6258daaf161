<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Answers packed by the application itself, so that they are small whatever server stands in front. */
final class Packed
{
    /**
     * @template T of Response
     *
     * @param  T  $response
     * @return T the same, packed where whoever asks can unpack it and it is worth it
     */
    public static function for(Request $request, Response $response): Response
    {
        $content = (string) $response->getContent();
        $packed = strlen($content) > 1000 && in_array('gzip', $request->getEncodings(), true) ? gzencode($content, 6) : false;
        if ($packed !== false) {
            $response->setContent($packed);
            $response->headers->set('Content-Encoding', 'gzip');
        }
        $response->headers->set('Vary', 'Accept-Encoding');

        return $response;
    }
}

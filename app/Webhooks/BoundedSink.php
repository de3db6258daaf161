<?php

declare(strict_types=1);

namespace App\Webhooks;

use GuzzleHttp\Psr7\StreamDecoratorTrait;
use Psr\Http\Message\StreamInterface;

/** Takes so many bytes of an answer and drops the rest unread into memory. */
final class BoundedSink implements StreamInterface
{
    use StreamDecoratorTrait;

    public function __construct(private StreamInterface $stream, private readonly int $most)
    {
    }

    public function write($string): int
    {
        $room = $this->most - (int) $this->stream->getSize();
        if ($room > 0) {
            $this->stream->write(substr($string, 0, $room));
        }

        // Said to be written, so that the state of the answer still arrives; time bounds the rest.
        return strlen($string);
    }
}

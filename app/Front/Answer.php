<?php

declare(strict_types=1);

namespace App\Front;

/** What is answered, as it goes to the browser. */
final readonly class Answer
{
    /**
     * @param  array<string, string>  $headers
     * @param  list<string>  $cookies  lines of headers
     * @param  string|null  $later  in which database something was written down that is taken once the answer is out, by a short name
     */
    public function __construct(public int $status, public array $headers, public string $body, public array $cookies = [],
        public ?string $later = null)
    {
    }

    public function send(): void
    {
        http_response_code($this->status);
        header_remove('X-Powered-By');
        foreach ($this->headers as $name => $value) {
            header("{$name}: {$value}");
        }
        foreach ($this->cookies as $cookie) {
            header("Set-Cookie: {$cookie}", false);
        }
        if ($this->later !== null && $this->body !== '') {
            // So that a browser knows that this is all, although the process goes on.
            header('Content-Length: '.strlen($this->body));
        }
        if ($this->status === 304 || $this->status === 204) {
            // Nothing is said of content that is not there.
            ini_set('default_mimetype', '');
        }
        echo $this->body;
    }
}

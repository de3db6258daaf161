<?php

declare(strict_types=1);

namespace App\Front;

/** What is answered, as it goes to the browser. */
final readonly class Answer
{
    /**
     * @param  array<string, string>  $headers
     * @param  string|null  $reports  in which database something was written down that is counted once the answer is out, by a short name
     */
    public function __construct(public int $status, public array $headers, public string $body, public ?string $cookie = null,
        public ?string $reports = null)
    {
    }

    public function send(): void
    {
        http_response_code($this->status);
        header_remove('X-Powered-By');
        foreach ($this->headers as $name => $value) {
            header("{$name}: {$value}");
        }
        if ($this->cookie !== null) {
            header("Set-Cookie: {$this->cookie}", false);
        }
        if ($this->status === 304 || $this->status === 204) {
            // Nothing is said of content that is not there.
            ini_set('default_mimetype', '');
        }
        echo $this->body;
    }
}

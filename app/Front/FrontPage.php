<?php

declare(strict_types=1);

namespace App\Front;

use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Plan\PageRole;

/**
 * A published page as it is answered before the framework starts: its text in pieces, and what decides whether it is shown.
 *
 * @phpstan-type Written array{page: string, address: string, role: string, language: string,
 *     phrases: array<string, array<string, string>>, headers: array<string, string>, deadlines: array<string, mixed>|null,
 *     splitTest: array{test: string, weights: array<string, int>}|null, pieces: array<mixed>,
 *     spelled: array<string, mixed>, tag: string|null,
 *     forms: array<string, array{form: array<string, mixed>, to: string|null}>}
 */
final readonly class FrontPage
{
    /**
     * @param  array<string, string>  $headers
     * @param  array<string, array<string, string>>  $phrases  what its visitors are told in other words
     * @param  array<string, mixed>|null  $deadlines  see {@see \App\Serving\PageDeadlines}
     * @param  array{test: string, weights: array<string, int>}|null  $splitTest
     * @param  array<string, mixed>  $spelled  how moments and times are spelt in its language, see {@see TimeWords::spelled()}; nothing
     *     where it tells none
     * @param  array<string, array{form: array<string, mixed>, to: string|null}>  $forms  by id, those that are taken before the framework
     *     starts: the form as it is written, and the address where it leads; null where one waits for an email
     * @param  string|null  $tag  of the text, where it is the same for everybody
     */
    public function __construct(
        public string $page,
        public string $address,
        public PageRole $role,
        public string $language,
        public array $phrases,
        public array $headers,
        public ?array $deadlines,
        public ?array $splitTest,
        public Pieces $pieces,
        public array $spelled,
        public ?string $tag,
        public array $forms = [],
    ) {
    }

    public function written(): string
    {
        return serialize(['page' => $this->page, 'address' => $this->address, 'role' => $this->role->value, 'language' => $this->language,
            'phrases' => $this->phrases, 'headers' => $this->headers, 'deadlines' => $this->deadlines, 'splitTest' => $this->splitTest,
            'pieces' => $this->pieces->list, 'spelled' => $this->spelled, 'tag' => $this->tag,
            'forms' => $this->forms]);
    }

    /** @return self|null null for what is none, such as half of one */
    public static function read(string $written): ?self
    {
        $read = @unserialize($written, ['allowed_classes' => false]);
        if (! is_array($read)) {
            return null;
        }

        /** @var Written $read */
        return new self($read['page'], $read['address'], PageRole::from($read['role']), $read['language'], $read['phrases'],
            $read['headers'], $read['deadlines'], $read['splitTest'], Pieces::fromArray($read['pieces']), $read['spelled'], $read['tag'],
            $read['forms']);
    }
}

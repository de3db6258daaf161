<?php

declare(strict_types=1);

namespace Lantern\Core\People;

/** A row of an import that can be a person. */
final readonly class ImportedPerson
{
    /**
     * @param  list<string>  $tags
     * @param  string|null  $joined  a day, or a moment that says its zone
     * @param  array<string, list<string>>  $own  by the name of the owner's own field
     * @param  string  $note  what could not be read of a row that can be a person all the same
     */
    public function __construct(
        public EmailAddress $email,
        public string $firstName,
        public string $lastName,
        public string $phone,
        public array $tags,
        public ?string $joined,
        public array $own,
        public string $note = '',
        public ?string $timezone = null,
        public Subscription $subscription = Subscription::Subscribed,
        public ?string $language = null,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Promises;

use DateTimeZone;
use Lantern\Core\People\EmailAddress;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\WallClock;
use Lantern\Core\Support\Written;

/** Somebody made up, who is to live through a funnel. */
final readonly class Visitor
{
    use Rebuilt;

    /**
     * @param  string  $zone  an IANA name
     * @param  bool  $phone  do they look at it on a phone?
     * @param  string  $language  that their browser prefers
     * @param  array<string, string>  $parameters  of the address by which they come, such as utm_source
     * @param  list<string>  $tags  that they have already; with any they are on the list before it begins
     * @param  array<string, string>  $answers  to the fields of forms, by name; what is missing is made up
     * @param  array<string, string>  $letters  of split tests, by the id of the test: the variant that they get
     * @param  bool  $known  are they on the list already?
     */
    public function __construct(
        public string $name = 'Robin Sample',
        public string $email = 'robin@example.com',
        public string $zone = 'UTC',
        public bool $phone = false,
        public string $language = 'en',
        public array $parameters = [],
        public array $tags = [],
        public array $answers = [],
        public array $letters = [],
        public bool $known = false,
    ) {
    }

    /** @throws Invalid for a zone or an address that is none */
    public static function fromShape(Shape $shape, string $zone): self
    {
        $own = $shape->text('zone', 60, $zone);
        if (! WallClock::isZone($own)) {
            throw Invalid::at($shape->path('zone'), 'There is no such time zone.');
        }
        $name = trim($shape->text('name', 100, 'Robin Sample'));
        $email = trim($shape->text('email', 254, 'robin@example.com'));
        try {
            EmailAddress::of($email);
        } catch (Invalid) {
            throw Invalid::at($shape->path('email'), 'This is not an email address.');
        }
        $tags = array_values(array_filter(array_map(trim(...), $shape->has('tags') ? $shape->texts('tags', 30, 60) : []),
            fn (string $t): bool => $t !== ''));

        return new self($name === '' ? 'Robin Sample' : $name, $email, $own, $shape->flag('phone'), $shape->text('language', 20, 'en'),
            self::words($shape, 'parameters', 20), $tags, self::words($shape, 'answers', 60), self::words($shape, 'letters', 40),
            $shape->flag('known') || $tags !== []);
    }

    /** @return array<string, string> */
    private static function words(Shape $shape, string $key, int $most): array
    {
        $group = $shape->optionalGroup($key);
        $words = [];
        foreach (array_slice(array_keys($group?->all() ?? []), 0, $most) as $name) {
            $words[(string) $name] = $group?->text((string) $name, 300, '') ?? '';
        }

        return $words;
    }

    public function zone(): DateTimeZone
    {
        return new DateTimeZone($this->zone);
    }

    public function firstName(): string
    {
        return explode(' ', $this->name, 2)[0];
    }

    public function lastName(): string
    {
        return explode(' ', $this->name, 2)[1] ?? '';
    }

    /** @param  array<string, string>  $ids  new ids by old ones: those of the split tests */
    public function withIds(array $ids): self
    {
        $letters = [];
        foreach ($this->letters as $test => $letter) {
            $letters[$ids[$test] ?? $test] = $letter;
        }

        return $this->changed(letters: $letters);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['name' => $this->name, 'email' => $this->email, 'zone' => $this->zone] + array_filter(['phone' => $this->phone,
            'language' => $this->language === 'en' ? '' : $this->language, 'parameters' => $this->parameters, 'tags' => $this->tags,
            'answers' => $this->answers, 'letters' => $this->letters, 'known' => $this->known]);
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        $words = fn (string $what): array => ['type' => 'object', 'description' => $what, 'additionalProperties' => Written::text(300)];

        return Written::group(['name' => Written::text(100), 'email' => Written::text(254), 'zone' => Written::text(60, 'an IANA name'),
            'phone' => Written::flag(), 'language' => Written::text(20), 'parameters' => $words('of the address by which they come'),
            'tags' => Written::ref('tags'), 'answers' => $words('to the fields of forms, by name'),
            'letters' => $words('of split tests, by the id of the test'), 'known' => Written::flag('on the list before it begins')]);
    }
}

<?php

declare(strict_types=1);

namespace Lantern\Core\Guides;

use Lantern\Core\Forms\OwnerNotice;
use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/**
 * A lead magnet that is read in the browser, page by page. Its pages are parts of their own ({@see GuidePage}), in the order in which
 * they stand.
 */
final readonly class Guide implements Part
{
    use PlainPart;
    use Rebuilt;

    public const MOST_PAGES = 60;

    /**
     * @param  string  $title  what its readers call it
     * @param  string  $address  below the funnel's
     * @param  int  $open  so many of its pages anybody may read before signing up, from the first
     * @param  bool  $saves  may readers save it as a PDF?
     * @param  OwnerNotice  $begun  how the owner is told of a new reader; likewise `finished` of one who has finished
     */
    public function __construct(
        public string $id,
        public string $title,
        public string $address = 'read',
        public int $open = 1,
        public bool $saves = true,
        public FinishRule $finish = new FinishRule,
        public OwnerNotice $begun = OwnerNotice::Never,
        public OwnerNotice $finished = OwnerNotice::AtOnce,
    ) {
    }

    public static function kind(): string
    {
        return 'guide';
    }

    public static function label(): string
    {
        return 'guide';
    }

    public static function most(): int
    {
        return 5;
    }

    public static function fromShape(Shape $shape): self
    {
        $title = trim($shape->text('title', 200));
        if ($title === '') {
            throw Invalid::at($shape->path('title'), 'What is it called? Its readers will see this.');
        }
        $address = $shape->text('address', 60, 'read');
        if (preg_match('/^[a-z0-9]+(-[a-z0-9]+)*$/D', $address) !== 1) {
            throw Invalid::at($shape->path('address'), 'A web address holds small letters, digits and single dashes.');
        }

        return new self($shape->text('id', 40), $title, $address, $shape->integer('open', 0, self::MOST_PAGES, 1),
            $shape->flag('saves', true), FinishRule::fromShape($shape->optionalGroup('finish')),
            $shape->choice('begun', OwnerNotice::class, OwnerNotice::Never->value),
            $shape->choice('finished', OwnerNotice::class, OwnerNotice::AtOnce->value));
    }

    public function name(): string
    {
        return $this->title;
    }

    public function at(string $address): self
    {
        return $this->changed(address: $address);
    }

    public function withIds(array $ids): self
    {
        return $this->changed(id: $ids[$this->id] ?? $this->id);
    }

    public function changesSince(Part $before): array
    {
        if (! $before instanceof self) {
            return [];
        }
        $what = array_keys(array_filter([
            'its title' => $before->title !== $this->title,
            'its address' => $before->address !== $this->address,
            'how much of it strangers may read' => $before->open !== $this->open,
            'whether readers can save it' => $before->saves !== $this->saves,
            'when it is finished' => $before->finish->toArray() !== $this->finish->toArray(),
            'what you are told of its readers' => $before->begun !== $this->begun || $before->finished !== $this->finished,
        ]));

        return $what === [] ? [] : ["Changed guide: “{$this->title}” (".implode(', ', $what).').'];
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'title' => Written::text(200, least: 1), 'address' => Written::shaped('^[a-z0-9]+(-[a-z0-9]+)*$', 60),
            'open' => Written::whole(0, self::MOST_PAGES, 'pages that anybody may read before signing up; one where it is not said'),
            'saves' => Written::flag('may readers save it as a PDF; true where it is not said'), 'finish' => FinishRule::schema(),
            'begun' => Written::choice(OwnerNotice::class, 'how the owner is told of a new reader'),
            'finished' => Written::choice(OwnerNotice::class, 'how the owner is told of one who has finished'),
        ], ['title']);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'title' => $this->title, 'address' => $this->address, 'open' => $this->open]
            + ($this->saves ? [] : ['saves' => false])
            + array_filter(['finish' => $this->finish->toArray()], fn (array $f): bool => $f !== [])
            + ['begun' => $this->begun->value, 'finished' => $this->finished->value];
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature\Studio;

use App\Drafts\Kinds\DraftKind;
use App\Drafts\Kinds\DraftKinds;
use App\Publishing\Publishing;
use Lantern\Core\Plan\PartKinds;
use Tests\TestCase;

/**
 * The draft as the API gives it is kept in tests/fixtures/draft.json, which the front end's tests read and their types are
 * compared with. KEEP=1 writes it anew.
 */
final class DraftJsonTest extends TestCase
{
    private const FILE = __DIR__.'/../../fixtures/draft.json';

    /** What the Studio's own list of kinds is compared with. */
    private const PARTS = __DIR__.'/../../fixtures/parts.json';

    /** How ids are called in the kept draft, by the list they come from. */
    private const IDS = ['pages' => 'p', 'forms' => 'o', 'emails' => 'e', 'sequences' => 'q', 'leadMagnets' => 'm',
        'sharedSections' => 'h', 'popups' => 'v'];

    public function test_the_kept_draft_is_what_the_api_gives(): void
    {
        $owner = $this->owner();
        $funnel = $this->draft($owner);
        app(Publishing::class)->publish($funnel, null);
        $json = (string) $this->actingAs($owner)->getJson("/studio/api/funnels/{$funnel->id}")->assertOk()->getContent();
        $written = json_encode(json_decode($this->named($json), false, flags: JSON_THROW_ON_ERROR),
            JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n";
        if (getenv('KEEP') === '1') {
            file_put_contents(self::FILE, $written);
        }

        self::assertSame(file_get_contents(self::FILE), $written, 'KEEP=1 vendor/bin/phpunit tests/Feature/Studio/DraftJsonTest.php');
    }

    public function test_the_studio_is_told_of_every_kind_of_part(): void
    {
        $kinds = array_map(fn (DraftKind $kind): array => ['list' => $kind->list(), 'label' => $kind->part()::label(),
            'opens' => $kind->opens()], app(DraftKinds::class)->all());
        $written = json_encode($kinds, JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR)."\n";
        if (getenv('KEEP') === '1') {
            file_put_contents(self::PARTS, $written);
        }

        self::assertSame(file_get_contents(self::PARTS), $written, 'KEEP=1 vendor/bin/phpunit tests/Feature/Studio/DraftJsonTest.php');
        self::assertSame(array_map(fn (string $class): string => $class::kind(), PartKinds::ALL), array_keys($kinds),
            'of each kind there is in a plan');
    }

    /** The same with ids that count up and one moment for all. */
    private function named(string $json): string
    {
        $draft = (array) json_decode($json, true);
        $names = [$draft['id'] => 'f1'];
        foreach (self::IDS as $list => $letter) {
            foreach ($draft[$list] as $i => $part) {
                $names[$part['id']] = $letter.($i + 1);
            }
        }
        foreach ([...$draft['pages'], ...$draft['popups']] as $page) {
            foreach ($page['document']['sections'] as $section) {
                $names[$section['id']] ??= 's'.(1 + count(array_filter($names, fn (string $n): bool => $n[0] === 's')));
                foreach ($section['blocks'] as $block) {
                    $names[$block['id']] ??= 'b'.(1 + count(array_filter($names, fn (string $n): bool => $n[0] === 'b')));
                }
            }
        }
        foreach ($draft['leadMagnets'] as $i => $leadMagnet) {
            $names[$leadMagnet['file']['id'] ?? ''] = 'u'.($i + 1);
        }

        return (string) preg_replace('/\d{4}-\d{2}-\d{2}T[\d:.]+(?:Z|\+00:00)/', '2026-06-01T10:00:00.000Z', strtr($json, $names));
    }
}

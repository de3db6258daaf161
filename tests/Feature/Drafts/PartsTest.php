<?php

declare(strict_types=1);

namespace Tests\Feature\Drafts;

use App\Models\DraftPart;
use App\Models\Funnel;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Plan\LeadMagnet;
use Lantern\Core\Plan\PartKinds;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Adding and bringing back parts of a draft, whatever their kind. */
final class PartsTest extends TestCase
{
    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $owner = $this->owner();
        $this->funnel = $this->draft($owner);
        $this->actingAs($owner);
    }

    /** @param  array<string, mixed>  $typed */
    private function add(array $typed): TestResponse
    {
        return $this->postJson("/studio/api/funnels/{$this->funnel->id}/parts", $typed);
    }

    /** @return iterable<string, array{mixed}> */
    public static function kinds(): iterable
    {
        foreach (array_keys(PartKinds::byName()) as $kind) {
            yield $kind => [$kind];
        }
        foreach ([null, '', 'nothing', 7, ['form'], ['form' => 'form']] as $kind) {
            yield (string) json_encode($kind) => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_a_kind_is_added_or_refused_and_never_breaks(mixed $kind): void
    {
        $status = $this->add(['kind' => $kind])->status();

        self::assertContains($status, [201, 422]);
        self::assertSame($status === 422, ! in_array($kind, ['form', 'email', 'sequence', 'lead-magnet', 'product', 'coupon',
            'deadline', 'popup', 'webinar', 'automation'], true));
        $this->getJson("/studio/api/funnels/{$this->funnel->id}")->assertOk();
    }

    public function test_a_part_is_not_restored_beyond_what_a_funnel_may_have(): void
    {
        $first = $this->add(['kind' => 'lead-magnet'])->assertCreated()->json('id');
        $this->deleteJson("/studio/api/parts/{$first}")->assertOk();
        while (DraftPart::there($this->funnel->id, LeadMagnet::kind())->count() < LeadMagnet::most()) {
            $this->add(['kind' => 'lead-magnet'])->assertCreated();
        }

        $this->postJson("/studio/api/parts/{$first}/restore")->assertStatus(422)
            ->assertJsonPath('message', 'A funnel has 10 lead magnets at most.');
        $this->getJson("/studio/api/funnels/{$this->funnel->id}")->assertOk();
    }

    public function test_a_part_is_not_restored_while_one_it_needs_is_gone(): void
    {
        $sequence = $this->add(['kind' => 'sequence'])->assertCreated()->json('id');
        $email = $this->add(['kind' => 'email', 'sequence' => $sequence])->assertCreated()->json('id');
        $this->deleteJson("/studio/api/parts/{$email}")->assertOk();
        $this->deleteJson("/studio/api/parts/{$sequence}")->assertOk();

        $this->postJson("/studio/api/parts/{$email}/restore")->assertStatus(422);
        $this->postJson("/studio/api/parts/{$sequence}/restore")->assertOk();
        $this->postJson("/studio/api/parts/{$email}/restore")->assertOk();
    }
}

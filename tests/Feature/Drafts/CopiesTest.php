<?php

declare(strict_types=1);

namespace Tests\Feature\Drafts;

use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Upload;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Lantern\Core\Emails\EmailBody;
use Tests\Drafts\Email;
use Tests\Drafts\Form;
use Tests\Drafts\Page;
use Tests\TestCase;

/** A copy of a funnel, here or at somebody else's, speaks of itself alone and has all that it shows. */
final class CopiesTest extends TestCase
{
    private User $owner;

    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->owner();
        $this->funnel = $this->draft($this->owner);
        $this->actingAs($this->owner);
    }

    private function picture(): string
    {
        return (string) $this->post('/studio/api/uploads/pictures', ['picture' => UploadedFile::fake()->image('cello.png', 40, 30)],
            ['Accept' => 'application/json'])->assertCreated()->json('id');
    }

    /** A draft whose emails show pictures, one of them in a part that is kept once, and have parts for some readers only. */
    private function write(): void
    {
        $page = Page::query()->where('funnel_id', $this->funnel->id)->orderBy('position')->firstOrFail()->id;
        $email = Email::query()->where('funnel_id', $this->funnel->id)->firstOrFail();
        $only = htmlspecialchars((string) json_encode(['kind' => 'deed', 'deed' => 'viewed', 'with' => $page]));
        $part = $this->postJson('/studio/api/email-parts', ['name' => 'Signature',
            'body' => '<p>Imke</p><img src="picture:'.$this->picture().'" alt="her cello">'])->assertSuccessful()->json('id');
        $this->putJson("/studio/api/parts/{$email->id}", ['revision' => $email->revision,
            'body' => '<p>Hello</p><img src="picture:'.$this->picture().'" alt="x"><div data-only="'.$only.'"><p>You were <a href="{{page_'
                .$page.'}}">here</a></p></div><div data-part="'.$part.'"></div>',
            'only' => ['all' => true, 'rules' => [['kind' => 'deed', 'deed' => 'viewed', 'not' => true, 'with' => $page]]]])->assertOk();
        $form = Form::query()->where('funnel_id', $this->funnel->id)->firstOrFail();
        $this->putJson("/studio/api/parts/{$form->id}", ['revision' => $form->revision, 'doubleOptIn' => true,
            'confirm' => ['body' => '<p>Please confirm</p><img src="picture:'.$this->picture().'" alt="y"><p><a href="{{page_'.$page
                .'}}">Or look again</a></p>']])->assertOk();
    }

    public function test_a_copy_names_nothing_of_the_funnel_it_was_made_of(): void
    {
        $this->write();
        $id = $this->postJson("/studio/api/funnels/{$this->funnel->id}/duplicate")->assertCreated()->json('id');

        $copy = (string) json_encode(DraftPart::there($id)->get()->map(fn (DraftPart $p): array => [$p->id, $p->definition])->all());
        foreach ([$this->funnel->id, ...DraftPart::there($this->funnel->id)->pluck('id')->all()] as $old) {
            self::assertStringNotContainsString($old, $copy);
        }
        $email = Email::query()->where('funnel_id', $id)->firstOrFail();
        $page = Page::query()->where('funnel_id', $id)->orderBy('position')->firstOrFail()->id;
        self::assertSame([[$page], [$page], $page], [EmailBody::pages($email->body), EmailBody::rules($email->body)[0]->references(),
            $email->definition['only']['rules'][0]['with']]);
    }

    public function test_an_archive_holds_every_picture_of_its_emails_and_the_parts_they_use(): void
    {
        $this->write();
        $zip = $this->get("/studio/api/funnels/{$this->funnel->id}/export")->assertOk()->baseResponse->getFile()->getPathname();
        $other = $this->owner('other@ferncroft.example');
        $this->actingAs($other);
        $id = $this->post('/studio/api/funnels/import', ['archive' => new UploadedFile($zip, 'funnel.zip', test: true)],
            ['Accept' => 'application/json'])->assertCreated()->json('id');

        $body = Email::query()->where('funnel_id', $id)->firstOrFail()->body;
        $confirm = Form::query()->where('funnel_id', $id)->firstOrFail()->definition['confirm']['body'];
        self::assertStringContainsString('Imke', $body);
        self::assertStringNotContainsString('data-part', $body);
        $pictures = [...EmailBody::pictures($body), ...EmailBody::pictures($confirm)];
        self::assertCount(3, $pictures);
        self::assertSame(3, Upload::query()->where('business_id', $other->business_id)->whereIn('id', $pictures)->count());
    }
}

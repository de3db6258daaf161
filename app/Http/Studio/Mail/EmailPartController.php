<?php

declare(strict_types=1);

namespace App\Http\Studio\Mail;

use App\Http\Studio\StudioController;
use App\Models\EmailPart;
use App\Support\Ids;
use App\Support\Input;
use App\Support\RichText;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Lantern\Core\Support\Invalid;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Parts of emails that are kept once, such as a signature. */
final class EmailPartController extends StudioController
{
    public function index(): JsonResponse
    {
        return response()->json(['parts' => EmailPart::query()->where('business_id', $this->user()->business_id)->whereNull('deleted_at')
            ->orderByRaw('sort_key(name, ?)', [$this->business()->locale])->get()->map(self::json(...))->all()]);
    }

    public function store(Request $request): JsonResponse
    {
        $part = EmailPart::query()->create(['id' => Ids::next(), 'business_id' => $this->user()->business_id] + $this->given($request));

        return response()->json(self::json($part), 201);
    }

    public function update(Request $request, string $part): JsonResponse
    {
        $found = $this->find($part);
        $found->forceFill($this->given($request))->save();

        return response()->json(self::json($found));
    }

    public function destroy(string $part): JsonResponse
    {
        $this->find($part)->forceFill(['deleted_at' => CarbonImmutable::now()])->save();

        return response()->json(['id' => $part]);
    }

    public function restore(string $part): JsonResponse
    {
        $this->find($part)->forceFill(['deleted_at' => null])->save();

        return response()->json(['id' => $part]);
    }

    /** @return array{name: string, body: string} */
    private function given(Request $request): array
    {
        $name = trim(Input::text($request, 'name'));
        // A part holds words, and no other part.
        $body = (string) preg_replace('~</?div[^>]*>~', '', RichText::email(mb_substr(Input::text($request, 'body'), 0, 20_000))->html);

        return $name === '' || mb_strlen($name) > 120 ? throw Invalid::at('name', 'Please give this part a name of up to 120 characters.')
            : ['name' => $name, 'body' => $body];
    }

    private function find(string $id): EmailPart
    {
        return Ids::is($id) ? EmailPart::query()->where('business_id', $this->user()->business_id)->where('id', $id)->firstOrFail()
            : throw new NotFoundHttpException;
    }

    /** @return array<string, string> */
    private static function json(EmailPart $p): array
    {
        return ['id' => $p->id, 'name' => $p->name, 'body' => $p->body];
    }
}

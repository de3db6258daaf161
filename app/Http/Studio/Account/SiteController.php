<?php

declare(strict_types=1);

namespace App\Http\Studio\Account;

use App\Http\Studio\StudioController;
use App\Models\Site;
use App\Popups\LivePopup;
use App\Support\Homes;
use App\Support\Ids;
use App\Support\Input;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Support\Invalid;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The owner's other web sites: the line of script for each, and where it was seen. */
final class SiteController extends StudioController
{
    private const MOST = 20;

    public function index(): JsonResponse
    {
        $sites = Site::query()->where('business_id', $this->business()->id)->whereNull('deleted_at')->orderBy('id')->get();

        return response()->json(['sites' => $sites->map($this->json(...))->all()]);
    }

    public function store(Request $request): JsonResponse
    {
        $origin = self::origin(Input::text($request, 'address'));
        $this->checkRoom($origin);
        $name = self::name(Input::text($request, 'name'), $origin);

        return response()->json($this->json(Site::query()->create(['business_id' => $this->business()->id, 'name' => $name,
            'origin' => $origin])), 201);
    }

    public function update(Request $request, string $site): JsonResponse
    {
        $found = $this->site($site);
        $found->forceFill(['name' => self::name(Input::text($request, 'name'), $found->origin)])->save();

        return response()->json($this->json($found));
    }

    /** Its script shows nothing from now on. It can be brought back. */
    public function destroy(string $site): JsonResponse
    {
        $found = $this->site($site);
        $used = array_values(array_filter(LivePopup::ofBusiness($this->business()),
            fn (LivePopup $p): bool => $p->popup->targeting->site($site) !== null));
        $found->forceFill(['deleted_at' => CarbonImmutable::now()])->save();

        return response()->json(['id' => $found->id,
            'sentences' => array_map(fn (LivePopup $p): string => "“{$p->popup->name}” is not shown there any more.", $used)]);
    }

    public function restore(string $site): JsonResponse
    {
        $found = $this->site($site);
        if ($found->deleted_at !== null) {
            $this->checkRoom($found->origin);
            $found->forceFill(['deleted_at' => null])->save();
        }

        return response()->json($this->json($found));
    }

    /** @throws Invalid when the list has it already, or is full */
    private function checkRoom(string $origin): void
    {
        $there = Site::query()->where('business_id', $this->business()->id)->whereNull('deleted_at');
        if ((clone $there)->where('origin', $origin)->exists()) {
            throw Invalid::at('address', 'This site is on your list already.');
        }
        if ($there->count() >= self::MOST) {
            throw Invalid::at('address', 'You have '.self::MOST.' sites, which is as many as there can be.');
        }
    }

    private function site(string $id): Site
    {
        return Ids::is($id) ? Site::query()->where('business_id', $this->business()->id)->findOrFail($id) : throw new NotFoundHttpException;
    }

    private static function name(string $typed, string $origin): string
    {
        $name = trim((string) preg_replace('/[\p{C}\s]+/u', ' ', $typed));

        return $name === '' ? (string) parse_url($origin, PHP_URL_HOST) : mb_substr($name, 0, 120);
    }

    /** Scheme, host and port of whatever address of the site was typed. */
    private static function origin(string $typed): string
    {
        $typed = trim($typed);
        $parts = parse_url(preg_match('~^https?://~i', $typed) === 1 ? $typed : "https://{$typed}");
        $host = is_array($parts) ? strtolower($parts['host'] ?? '') : '';
        if (! is_array($parts) || strlen($host) > 150 || isset($parts['user'])
            || preg_match('/^(?=.{1,150}$)[a-z0-9]([a-z0-9-]*[a-z0-9])?(\.[a-z0-9]([a-z0-9-]*[a-z0-9])?)*$/D', $host) !== 1) {
            throw Invalid::at('address', 'Please type the address of the site, such as https://blog.example.');
        }

        return strtolower($parts['scheme'] ?? 'https').'://'.$host.(isset($parts['port']) ? ':'.$parts['port'] : '');
    }

    /** @return array<string, mixed> */
    private function json(Site $site): array
    {
        $pages = DB::table('site_pages')->where('site_id', $site->id)->orderByDesc('views')->limit(200)
            ->get(['path', 'title', 'views', 'last_at']);

        return ['id' => $site->id, 'name' => $site->name, 'origin' => $site->origin,
            'line' => '<script async src="'.Homes::link($site->business_id, null, "/w/{$site->id}.js").'"></script>',
            'seenAt' => Instant::json($site->seen_at),
            'views' => (int) DB::table('site_pages')->where('site_id', $site->id)->sum('views'),
            'pages' => $pages->map(fn (object $p): array => ['path' => $p->path, 'title' => $p->title, 'views' => (int) $p->views,
                'lastAt' => Instant::jsonFromSql($p->last_at)])->all()];
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Studio\Funnels;

use App\Files\Uploads;
use App\Http\Studio\Json;
use App\Http\Studio\StudioController;
use App\Models\LeadMagnet;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;

final class LeadMagnetController extends StudioController
{
    public function update(Request $request, string $leadMagnet, Uploads $uploads): JsonResponse
    {
        $found = $this->part(LeadMagnet::class, $leadMagnet);
        $given = $request->validate(['title' => ['sometimes', 'required', 'string', 'max:200']],
            ['title.required' => 'What is it called? Visitors will read this.', 'title.max' => 'A title has 200 characters at most.']);
        DB::transaction(function () use ($request, $found, $given, $uploads): void {
            $file = $request->file('file');
            if ($file instanceof UploadedFile) {
                $given['upload_id'] = $uploads->file($this->business(), $file)->id;
            }
            $found->forceFill($given + ['revision' => $found->revision + 1])->save();
        });

        return response()->json(Json::leadMagnet($found->load('upload')));
    }
}

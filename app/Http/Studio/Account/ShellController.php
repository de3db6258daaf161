<?php

declare(strict_types=1);

namespace App\Http\Studio\Account;

use Illuminate\Http\Response;
use Illuminate\Support\Facades\View;

/** The one document of the Studio; everything in it is drawn by its script. */
final class ShellController
{
    public function __invoke(): Response
    {
        return new Response(View::make('studio')->render());
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Sets the site of the top bar. */
final class SiteController extends Controller
{
    public function __invoke(Request $request): RedirectResponse
    {
        $site = (string) ($request->validate(['site' => 'present|nullable|string|exists:sites,code'])['site'] ?? '');
        $request->session()->put('site', $site);

        return back();
    }
}

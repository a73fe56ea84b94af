<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Reading\SavedViews;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** Keeps the filter of a page by name, for the person alone. */
final class SavedViewController extends Controller
{
    public function store(Request $request): JsonResponse
    {
        $given = $request->validate([
            'page' => ['required', Rule::in(SavedViews::PAGES)],
            'name' => 'required|string|max:80',
            'query' => 'present|nullable|string|max:1000',
        ]);
        SavedViews::keep($this->user($request), $given['page'], $given['name'], (string) $given['query']);

        return response()->json(['views' => SavedViews::of($this->user($request), $given['page'])]);
    }

    public function destroy(Request $request): JsonResponse
    {
        $given = $request->validate(['page' => ['required', Rule::in(SavedViews::PAGES)], 'name' => 'required|string|max:80']);
        SavedViews::forget($this->user($request), $given['page'], $given['name']);

        return response()->json(['views' => SavedViews::of($this->user($request), $given['page'])]);
    }
}

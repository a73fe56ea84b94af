<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Reading\Search;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class SearchController extends Controller
{
    public function __invoke(Request $request, Search $search): JsonResponse
    {
        return response()->json($search->find($request->string('q')->limit(60, '')->toString(), $this->plan()));
    }
}

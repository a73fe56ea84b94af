<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\UndoCommit;
use App\Reading\JournalList;
use App\Reading\Pages\JournalPage;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/** Who changed what, newest first; what was committed can be undone as a whole. */
final class JournalController extends Controller
{
    public function index(Request $request): Response
    {
        $q = $request->string('q')->limit(60, '')->toString();

        return (new JournalPage(entries: JournalList::of($q), filter: ['q' => $q], most: JournalList::MOST))->show();
    }

    public function undo(Request $request, UndoCommit $undo, int $commit): JsonResponse
    {
        $key = $request->validate(['key' => 'required|string|min:16|max:64'])['key'];

        return response()->json($undo($commit, $key, $this->user($request)));
    }
}

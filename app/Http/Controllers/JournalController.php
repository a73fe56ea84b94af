<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\UndoCommit;
use App\Reading\JournalList;
use App\Reading\Pages\JournalPage;
use App\Reading\RecordHistory;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/** Who changed what, newest first; what was committed can be undone as a whole. */
final class JournalController extends Controller
{
    /** Names that one record has at most. */
    private const NAMES = 5;

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

    /** Who did what to a record, the newest first; its names, a line each. */
    public function history(Request $request): JsonResponse
    {
        $of = (string) $request->validate(['of' => 'required|string|max:1000'])['of'];

        return response()->json(RecordHistory::of(array_slice(explode("\n", $of), 0, self::NAMES), $this->user($request)));
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Draft;
use App\Planning\DraftLines;
use App\Reading\MasterData;
use App\Reading\Pages\StructurePage;
use App\Reading\StructureEditor;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/** What an item is made of, as it is with the person's draft. What is changed becomes a line of that. */
final class StructureController extends Controller
{
    public function show(Request $request): Response
    {
        return (new StructurePage($this->editor($request)->outline($this->item($request)), MasterData::named('bom')->kind()))->show();
    }

    public function lines(Request $request): JsonResponse
    {
        return response()->json($this->editor($request)->outline($this->item($request)));
    }

    /** What another component would change, in every structure where one is used. */
    public function replace(Request $request): JsonResponse
    {
        $given = $request->validate(['component' => 'required|string|max:190', 'by' => 'required|string|max:190']);

        return response()->json($this->editor($request)->replaceEverywhere($given['component'], $given['by']));
    }

    private function editor(Request $request): StructureEditor
    {
        return new StructureEditor(DraftLines::of(Draft::of($this->user($request))));
    }

    private function item(Request $request): string
    {
        return $request->string('item')->limit(190, '')->toString();
    }
}

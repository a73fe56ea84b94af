<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Draft;
use App\Planning\DraftLines;
use App\Planning\NetworkReader;
use App\Reading\MasterData;
use App\Reading\Pages\StructurePage;
use App\Reading\Pages\StructuresPage;
use App\Reading\Shapes\ContentRow;
use App\Reading\StructureEditor;
use App\Reading\StructuresView;
use App\Support\Settings;
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

    /** What goes into two items, side by side. */
    public function compare(Request $request, NetworkReader $reader): Response
    {
        $code = fn (string $name) => $request->string($name)->limit(190, '')->toString();
        $view = new StructuresView($reader);
        $names = [$view->name($code('first')), $view->name($code('second'))];
        abort_if($names[0] === null, 404);
        $down = $request->query('down') === '1';
        $differ = $request->query('differ') === '1';
        $rows = $names[1] === null ? [] : $view->rows($code('first'), $code('second'), $down);
        $same = array_filter($rows, fn (ContentRow $row) => $row->isSame);

        return (new StructuresPage(
            filter: ['first' => $code('first'), 'second' => $code('second'), 'down' => $down ? '1' : '', 'differ' => $differ ? '1' : ''],
            names: [$names[0], $names[1] ?? ''],
            rows: $differ ? array_values(array_diff_key($rows, $same)) : $rows,
            same: count($same),
            costs: [$view->cost($code('first')), $names[1] === null ? '0' : $view->cost($code('second'))],
            currency: Settings::currency(),
        ))->show();
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

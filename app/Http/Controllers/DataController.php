<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\BringRows;
use App\Intake\BroughtTable;
use App\Intake\TableFile;
use App\Reading\AboutView;
use App\Reading\ManyRows;
use App\Reading\MasterData;
use App\Reading\Pages\DataPage;
use App\Reading\Shapes\LabelledValue;
use App\Reading\TextMatch;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Inertia\Response;

/** Master data, kind by kind: what stands there, and what a change would make of it. What is changed becomes a line of the draft. */
final class DataController extends Controller
{
    /** Codes that are proposed while one types. */
    private const PROPOSED = 20;

    /** Rows that are changed at once. */
    private const AT_ONCE = 1_000;

    public function index(Request $request): Response
    {
        $data = $this->data($request);
        $kind = $data->kind();
        $order = $this->order($request, $data->sorted());
        $text = $this->text($request);

        return (new DataPage(
            MasterData::shelves(), $kind, $data->rows($text, $order),
            array_filter(['kind' => $kind->kind, 'q' => $text, 'sort' => (string) $order], fn (string $value) => $value !== ''),
            match ($request->query('opens')) {
                'bring' => 'bring', 'new' => 'new', default => null,
            },
        ))->show();
    }

    /** All that is kept of one item, supplier or work centre. */
    public function about(Request $request): Response
    {
        $of = $request->string('of', 'items')->toString();
        abort_unless($of === 'items' || $of === 'suppliers' || $of === 'work_centres', 404);

        return (AboutView::page($of, $request->string('code')->toString()) ?? abort(404))->show();
    }

    public function rows(Request $request): JsonResponse
    {
        $data = $this->data($request);

        return response()->json($data->rows($this->text($request), $this->order($request, $data->sorted()), $this->place($request)));
    }

    /** What many rows would be with another value. */
    public function many(Request $request): JsonResponse
    {
        $given = $request->validate([
            'kind' => ['required', 'string', Rule::in(MasterData::typedKinds())],
            'rows' => 'required|array|min:1|max:'.self::AT_ONCE, 'rows.*' => 'array|max:30', 'rows.*.*' => 'present|nullable|string|max:1000',
            'field' => 'required|string|max:60', 'value' => 'present|nullable|string|max:1000',
        ]);
        $rows = array_map(fn (array $parts) => array_map(strval(...), array_values($parts)), array_values($given['rows']));

        return response()->json((new ManyRows($given['kind']))->with($rows, $given['field'], (string) $given['value']));
    }

    /** What a table that is brought would make of what stands. */
    public function look(Request $request): JsonResponse
    {
        [, $table, $mapping, $hasHead, $decimal] = $this->brought($request);

        return response()->json($table->look($mapping, $hasHead, $decimal));
    }

    public function bring(Request $request, BringRows $bring): JsonResponse
    {
        [$kind, $table, $mapping, $hasHead, $decimal] = $this->brought($request);
        $given = $request->validate(['new' => 'required|integer', 'changed' => 'required|integer', 'key' => 'required|string|min:16|max:64']);

        return response()->json($bring(
            $kind, $table, $mapping, $hasHead, $decimal, [(int) $given['new'], (int) $given['changed']], $given['key'], $this->user($request),
        ));
    }

    /** @return array{string, BroughtTable, list<string>|null, bool|null, string|null} */
    private function brought(Request $request): array
    {
        $given = $request->validate([
            'kind' => ['required', 'string', Rule::in(MasterData::kinds())],
            'text' => 'required_without:file|nullable|string|max:'.TableFile::MOST_BYTES, 'file' => 'nullable|file|max:'.intdiv(TableFile::MOST_BYTES, 1000),
            'mapping' => 'nullable|array|max:200', 'mapping.*' => 'nullable|string|max:60', 'head' => 'nullable|in:0,1', 'decimal' => 'nullable|in:point,comma',
        ]);
        $file = $request->file('file');
        $table = $file instanceof UploadedFile ? TableFile::ofFile($file->getPathname()) : TableFile::ofText((string) ($given['text'] ?? ''));
        $mapping = isset($given['mapping']) ? array_map(strval(...), array_values($given['mapping'])) : null;

        return [$given['kind'], new BroughtTable($given['kind'], $table), $mapping, isset($given['head']) ? $given['head'] === '1' : null, $given['decimal'] ?? null];
    }

    /** Codes and names of what a column may name, while it is typed. */
    public function codes(Request $request): JsonResponse
    {
        $table = match ($request->string('of')->toString()) {
            'items' => 'items', 'sites' => 'sites', 'suppliers' => 'suppliers', 'work_centres' => 'work_centres', 'calendars' => 'calendars',
            default => abort(404),
        };
        $columns = $table === 'calendars' ? ['code'] : ['code', 'name'];
        $query = TextMatch::in(DB::table($table), $columns, $this->text($request))
            ->when($table === 'items', fn ($query) => $query->where('retired', false));

        return response()->json($query->orderBy('code')->limit(self::PROPOSED)->get($columns)
            ->map(fn ($row) => new LabelledValue((string) ($row->name ?? $row->code), (string) $row->code))->all());
    }

    private function data(Request $request): MasterData
    {
        return MasterData::named($request->string('kind')->toString());
    }

    private function text(Request $request): string
    {
        return $request->string('q')->limit(60, '')->toString();
    }
}

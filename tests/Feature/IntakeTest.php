<?php

declare(strict_types=1);

use App\Intake\CellText;
use App\Intake\TableFile;
use App\Planning\Ledger;
use App\Support\Refused;
use App\Support\Workbook;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Spatie\Activitylog\Models\Activity;
use Tests\Demo;

beforeEach(function () {
    Demo::planned();
    $this->actingAs(Demo::user('planner'));
    $this->look = fn (string $kind, string $text, array $more = []) => $this->postJson('/data/look', ['kind' => $kind, 'text' => $text, ...$more]);
    $this->bring = function (string $kind, string $text, array $more = []) {
        $seen = ($this->look)($kind, $text, $more)->json();

        return $this->postJson('/data/bring', ['kind' => $kind, 'text' => $text, 'new' => $seen['new'], 'changed' => $seen['changed'], 'key' => freshKey(), ...$more]);
    };
    $this->upload = fn (string $kind, string $path, string $name) => $this->post(
        '/data/look', ['kind' => $kind, 'file' => new UploadedFile($path, $name, null, null, true)], ['Accept' => 'application/json'],
    );
});

/** @return string path of a workbook of some parts beside those that every one has */
function workbookOf(array $parts): string
{
    $path = (string) tempnam(sys_get_temp_dir(), 'book');
    $zip = new ZipArchive;
    $zip->open($path, ZipArchive::OVERWRITE);
    $main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
    $office = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
    foreach ([
        'xl/workbook.xml' => "<workbook xmlns=\"{$main}\" xmlns:r=\"{$office}\"><sheets><sheet name=\"Old\" sheetId=\"1\" state=\"hidden\" r:id=\"r1\"/><sheet name=\"Items\" sheetId=\"2\" r:id=\"r2\"/></sheets></workbook>",
        'xl/_rels/workbook.xml.rels' => '<Relationships><Relationship Id="r1" Target="worksheets/sheet1.xml"/><Relationship Target="/xl/worksheets/sheet2.xml" Id="r2"/></Relationships>',
        'xl/worksheets/sheet1.xml' => "<worksheet xmlns=\"{$main}\"><sheetData><row><c><v>1</v></c></row></sheetData></worksheet>",
        ...$parts,
    ] as $name => $xml) {
        $zip->addFromString($name, $xml);
    }
    $zip->close();

    return $path;
}

it('tells row by row what is new, changed, the same and wrong, and writes all of it or nothing', function () {
    $text = "Item\tName\tunit\tCost\tPhantom\nANT-2\tHorn antenna\tpcs\t1234.5\tno\nBELL\tBell\tpcs\t3\tyes\nBAT-7\t\t\tmany\t\nBELL\tTwice\t\t\t\n";
    $seen = ($this->look)('items', $text)->assertOk()->json();
    expect([$seen['new'], $seen['changed'], $seen['same'], $seen['wrong']])->toBe([1, 1, 0, 2])
        ->and(array_column($seen['columns'], 'field'))->toBe(['code', 'name', 'unit', 'unitCost', 'phantom'])->and($seen['hasHead'])->toBeTrue()
        ->and(array_column($seen['rows'], 'fate', 'line'))->toBe([4 => 'wrong', 5 => 'wrong', 2 => 'changed', 3 => 'new'])
        ->and($seen['rows'][0]['what'])->toContain('Cost')->toContain('many')->and($seen['rows'][1]['what'])->toContain('line 3')
        ->and($seen['rows'][2]['what'])->toContain('Cost')->toContain('to 1234.5');
    expect(($this->bring)('items', $text)->assertStatus(422)->json('reason'))->toBe('wrong')
        ->and(DB::table('items')->where('code', 'BELL')->exists())->toBeFalse();

    $before = DB::table('items')->where('code', 'ANT-2')->first();
    ($this->bring)('items', implode("\n", array_slice(explode("\n", $text), 0, 3)))->assertOk();
    $after = DB::table('items')->where('code', 'ANT-2')->first();
    expect($after->unit_cost)->toBe(1_234_500_000)->and($after->decimals)->toBe($before->decimals)
        ->and((array) DB::table('items')->where('code', 'BELL')->first(['name', 'phantom']))->toEqual(['name' => 'Bell', 'phantom' => true]);
    $commit = DB::table('commits')->max('id');
    expect(Activity::query()->where('event', 'commit')->latest('id')->value('description'))->toBe('Items brought in: 1 new, 1 changed');
    $this->postJson("/journal/{$commit}/undo", ['key' => freshKey()])->assertOk();
    expect(DB::table('items')->where('code', 'BELL')->exists())->toBeFalse()->and(DB::table('items')->where('code', 'ANT-2')->value('unit_cost'))->toBe($before->unit_cost);
});

it('takes parent, component and quantity as they are pasted, without heads, and numbers the lines', function () {
    $text = "WS-400\tANT-2\t2\nWS-400\tBAT-7\t3\n";
    $seen = ($this->look)('bom', $text)->assertOk()->json();
    expect($seen['hasHead'])->toBeFalse()->and($seen['missing'])->toBe(['Item', 'Component', 'Quantity']);
    $mapping = ['item', 'component', 'qty'];
    $seen = ($this->look)('bom', $text, ['mapping' => $mapping])->assertOk()->json();
    expect([$seen['new'] + $seen['changed'] + $seen['same'], $seen['wrong']])->toBe([2, 0]);
    ($this->bring)('bom', $text, ['mapping' => $mapping])->assertOk();
    $lines = DB::table('bom_lines')->where('item_code', 'WS-400')->whereIn('component_code', ['ANT-2', 'BAT-7'])->pluck('qty', 'component_code')->all();
    expect($lines['ANT-2'])->toBe(2_000_000)->and($lines['BAT-7'])->toBe(3_000_000)
        ->and(DB::table('bom_lines')->where('item_code', 'WS-400')->count())->toBe(DB::table('bom_lines')->where('item_code', 'WS-400')->distinct()->count('line'));
    $again = ($this->look)('bom', $text, ['mapping' => $mapping])->json();
    expect([$again['new'], $again['changed'], $again['same']])->toBe([0, 0, 2]);
    expect(($this->bring)('bom', "Parent,Component,Quantity\nANT-2,NO-SUCH,1\n")->assertStatus(422)->json('message'))->toContain('NO-SUCH');
    expect(($this->bring)('bom', "Parent,Component,Quantity\nWS-400,WS-400,1\n")->assertStatus(422)->json('message'))->toContain('contains itself');
});

it('reads numbers as they are written, and asks where they can be read in two ways', function (array $cells, ?string $expected) {
    expect(CellText::decimalOf($cells))->toBe($expected);
})->with([
    'with both signs' => [['1,234.5'], 'point'],
    'with both, the other way round' => [['1.234,5'], 'comma'],
    'a comma before two digits' => [['12,50'], 'comma'],
    'a point before two digits' => [['12.50'], 'point'],
    'thousands twice' => [['1,234,567'], 'point'],
    'points twice' => [['1.234.567'], 'comma'],
    'a comma before three digits' => [['1,234'], null],
    'a nought before it' => [['0,125'], 'comma'],
    'a later one tells' => [['1,234', '', 'x', '7,5'], 'comma'],
    'whole numbers' => [['12', '1 234'], null],
]);

it('asks before it takes 1,234 for one or the other', function () {
    $text = "item;unit_cost\nANT-2;1,234\n";
    expect(($this->look)('items', $text)->json('ambiguous'))->toBe('1,234')
        ->and(($this->bring)('items', $text)->assertStatus(422)->json('reason'))->toBe('decimal');
    ($this->bring)('items', $text, ['decimal' => 'comma'])->assertOk();
    expect(DB::table('items')->where('code', 'ANT-2')->value('unit_cost'))->toBe(1_234_000);
    ($this->bring)('items', $text, ['decimal' => 'point'])->assertOk();
    expect(DB::table('items')->where('code', 'ANT-2')->value('unit_cost'))->toBe(1_234_000_000);
});

it('reads a workbook: shared and own texts, days, formulas by what they came to, the first sheet that shows', function () {
    $main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
    $path = workbookOf([
        'xl/sharedStrings.xml' => "<sst xmlns=\"{$main}\"><si><t>item</t></si><si><r><t>BEL</t></r><r><t>L</t></r><rPh><t>no</t></rPh></si></sst>",
        'xl/styles.xml' => "<styleSheet xmlns=\"{$main}\"><numFmts><numFmt numFmtId=\"164\" formatCode=\"yyyy\\-mm\\-dd\"/></numFmts><cellXfs><xf numFmtId=\"0\"/><xf numFmtId=\"164\"/></cellXfs></styleSheet>",
        'xl/worksheets/sheet2.xml' => "<worksheet xmlns=\"{$main}\"><sheetData>"
            .'<row r="1"><c r="A1" t="s"><v>0</v></c><c r="B1" t="inlineStr"><is><t>Cost</t></is></c><c r="D1" t="inlineStr"><is><t>day</t></is></c></row>'
            .'<row r="3"><c r="A3" t="s"><v>1</v></c><c r="B3"><f>1+2.2</f><v>3.2000000000000002</v></c><c r="D3" s="1"><v>46083</v></c><c r="E3" s="1"><v>1E+200</v></c><c r="F3" s="1"><v>-5</v></c></row>'
            .'</sheetData></worksheet>',
    ]);
    $rows = iterator_to_array(TableFile::ofFile($path)->rows());
    expect($rows)->toBe([1 => ['item', 'Cost', '', 'day'], 3 => ['BELL', '3.2', '', '2026-03-02', '1E+200', '-5']]);
    $seen = ($this->upload)('items', $path, 'items.xlsx')->assertOk()->json();
    expect([$seen['new'], $seen['wrong']])->toBe([1, 0])->and(array_column($seen['columns'], 'field'))->toBe(['code', 'unitCost', '', '', '', '']);
});

it('reads its own workbooks back without a difference', function () {
    $columns = ['item' => 'text', 'name' => 'text', 'unit_cost' => 'number'];
    $rows = DB::table('items')->orderBy('code')->get()->map(fn ($row) => [$row->code, $row->name, (string) ($row->unit_cost / 1_000_000)])->all();
    $path = Workbook::write('items', array_keys($columns), array_values($columns), $rows);
    $seen = ($this->upload)('items', $path, 'items.xlsx')->assertOk()->json();
    expect([$seen['new'], $seen['changed'], $seen['same'], $seen['wrong']])->toBe([0, 0, count($rows), 0]);
});

it('refuses files that are none, with macros, entities or too much in them', function (Closure $path, string $why) {
    $say = '';
    try {
        iterator_to_array(TableFile::ofFile($path())->rows());
    } catch (Refused $refused) {
        $say = $refused->sentence();
    }
    expect($say)->toContain($why);
})->with([
    'macros' => [fn () => workbookOf(['xl/vbaProject.bin' => 'x', 'xl/worksheets/sheet2.xml' => '<worksheet/>']), 'macros'],
    'a document type' => [fn () => workbookOf(['xl/worksheets/sheet2.xml' => '<!DOCTYPE w [<!ENTITY a "b">]><worksheet><sheetData><row><c><v>&a;</v></c></row></sheetData></worksheet>']), 'neither'],
    'no sheet' => [fn () => workbookOf([]), 'neither'],
    'an old workbook' => [function () {
        file_put_contents($path = (string) tempnam(sys_get_temp_dir(), 'old'), "\xD0\xCF\x11\xE0rest");

        return $path;
    }, 'old kind'],
    'a picture' => [function () {
        file_put_contents($path = (string) tempnam(sys_get_temp_dir(), 'png'), "\x89PNG\r\n\0\0");

        return $path;
    }, 'neither'],
    'too large' => [function () {
        $stream = fopen($path = (string) tempnam(sys_get_temp_dir(), 'large'), 'w');
        ftruncate($stream, TableFile::MOST_BYTES + 1);

        return $path;
    }, 'too large'],
    'too many rows' => [function () {
        file_put_contents($path = (string) tempnam(sys_get_temp_dir(), 'many'), str_repeat("A,1\n", TableFile::MOST_ROWS + 2));

        return $path;
    }, 'At most'],
]);

it('reads text in other encodings, with other separators and harmless formulas', function () {
    $rows = fn (string $text) => array_values(iterator_to_array(TableFile::ofText($text)->rows()));
    expect($rows("\xEF\xBB\xBFitem;name\nA;\"x; y\"\n"))->toBe([['item', 'name'], ['A', 'x; y']])
        ->and($rows("item,name\nA,Gr\xF6\xDFe\n"))->toBe([['item', 'name'], ['A', 'Größe']])
        ->and($rows("\xFF\xFE".mb_convert_encoding("item\tname\nA\tÖl\n", 'UTF-16LE')))->toBe([['item', 'name'], ['A', 'Öl']])
        ->and($rows("item,name\nA,'=cmd\nB,'twas\n"))->toBe([['item', 'name'], ['A', '=cmd'], ['B', "'twas"]])
        ->and($rows("\n\nitem\n\n"))->toBe([['item']]);
});

it('takes sales lines, forecasts and a count of stock', function () {
    ($this->bring)('sales', "order,line,item,site,qty,due,customer\nSO-1,1,WS-400,OSK,3,13.4.2026,Pier 9\nSO-7702,1,,,,2026-05-04,\n")->assertStatus(422);
    $before = DB::table('sales_lines')->where(['order_code' => 'SO-7702', 'line' => '1'])->first();
    ($this->bring)('sales', "order,line,item,site,qty,due,customer\nSO-1,1,WS-400,OSK,3,13.4.2026,Pier 9\n")->assertOk();
    ($this->bring)('sales', "order,line,due\nSO-7702,1,2026-05-04\n")->assertOk();
    $after = DB::table('sales_lines')->where(['order_code' => 'SO-7702', 'line' => '1'])->first();
    expect(DB::table('sales_lines')->where('order_code', 'SO-1')->value('due'))->toStartWith('2026-04-13')
        ->and($after->due)->toStartWith('2026-05-04')->and($after->qty)->toBe($before->qty)->and($after->customer)->toBe($before->customer);

    ($this->bring)('forecasts', "forecast,item,site,bucket,start,qty\nNEXT,WS-400,OSK,week,2026-03-09,5\nNEXT,WS-400,OSK,week,2026-03-16,6\n")->assertOk();
    expect(DB::table('forecast_buckets')->where('forecast', 'NEXT')->sum('qty'))->toEqual(11_000_000)
        ->and(($this->bring)('forecasts', "forecast,item,site,bucket,start,qty\nNEXT,WS-400,OSK,week,2026-03-10,5\n")->assertStatus(422)->json('reason'))->toBe('wrong');

    $was = DB::table('stock')->where(['item_code' => 'BAT-7', 'site_code' => 'OSK'])->value('qty');
    $seen = ($this->look)('stock', "item,site,qty,blocked\nBAT-7,OSK,50,9\nWS-400,LIN,2,\n")->json();
    expect(array_column($seen['columns'], 'field'))->toBe(['item', 'site', 'qty', ''])->and($seen['changed'])->toBe(1);
    ($this->bring)('stock', "item,site,qty\nBAT-7,OSK,50\nWS-400,LIN,2\n")->assertOk();
    expect(DB::table('stock')->where(['item_code' => 'BAT-7', 'site_code' => 'OSK'])->value('qty'))->toBe(50_000_000)
        ->and(Ledger::differences()->count())->toBe(0)
        ->and(DB::table('movements')->where('kind', 'count')->where('item_code', 'BAT-7')->sum('qty'))->toEqual(50_000_000 - $was);
    $this->postJson('/journal/'.DB::table('commits')->max('id').'/undo', ['key' => freshKey()])->assertOk();
    expect(DB::table('stock')->where(['item_code' => 'BAT-7', 'site_code' => 'OSK'])->value('qty'))->toBe($was)
        ->and(Ledger::differences()->count())->toBe(0)->and(DB::table('movements')->whereNotNull('counter_of')->count())->toBe(2);
});

it('is written once, by those who may, and only as it was seen', function () {
    $text = "item,name\nBELL,Bell\n";
    $body = ['kind' => 'items', 'text' => $text, 'new' => 1, 'changed' => 0, 'key' => freshKey()];
    $first = $this->postJson('/data/bring', $body)->assertOk()->json();
    expect($this->postJson('/data/bring', $body)->assertOk()->json())->toBe($first)
        ->and($this->postJson('/data/bring', [...$body, 'key' => freshKey()])->assertStatus(422)->json('reason'))->toBe('none')
        ->and($this->postJson('/data/bring', [...$body, 'text' => "item,name\nBELL,Gong\n", 'key' => freshKey()])->assertStatus(422)->json('reason'))->toBe('stale');
    foreach (['viewer', 'buyer', 'sales', 'scheduler'] as $role) {
        $this->actingAs(Demo::user($role));
        $this->postJson('/data/bring', ['kind' => 'items', 'text' => "item\nSPY\n", 'new' => 1, 'changed' => 0, 'key' => freshKey()])->assertStatus(422);
    }
    expect(DB::table('items')->where('code', 'SPY')->exists())->toBeFalse();
});

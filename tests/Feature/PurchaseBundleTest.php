<?php

declare(strict_types=1);

use App\Actions\ExportBundle;
use App\Actions\ImportBundle;
use App\Actions\StartRun;
use App\Models\Run;
use Illuminate\Support\Facades\DB;
use Tests\Demo;
use Tests\Support;
use Yposta\Core\Bundle\BundleRefused;

/** All that an export of purchases has to bring back. */
function purchasesNow(): array
{
    return DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->where('o.kind', 'buy')->where('l.cancelled', false)
        ->whereIn('o.status', ['firm', 'released'])->orderBy('l.code')
        ->get(['l.code', 'l.number', 'o.code as document', 'o.is_request', 'o.status', 'o.supplier_code', 'l.qty'])
        ->map(fn ($row) => array_map(strval(...), [...(array) $row, 'is_request' => (int) $row->is_request]))->all();
}

it('brings requests and orders of several lines back as they were', function () {
    Demo::planned();
    $this->actingAs(Demo::user('planner'));
    $numbers = DB::table('plan_supplies')->where('run_id', Run::live()->id)->where('kind', 'proposal')->where('type', 'buy')
        ->where('supplier_code', 'FENNICK')->orderBy('n')->limit(4)->pluck('name')->map(fn ($name) => ['number' => (int) $name])->all();
    $codes = array_column($this->postJson('/proposals/convert', [
        'run' => Run::live()->id, 'key' => freshKey(), 'sure' => true, 'agreed' => true, 'handOver' => true, 'lines' => $numbers,
    ])->assertOk()->json('orders'), 'code');
    $this->actingAs(Demo::user('buyer'));
    $this->postJson('/requests/buy', ['lines' => array_map(fn ($code) => ['line' => $code], [$codes[2], $codes[0]]), 'key' => freshKey()])->assertOk();
    $before = purchasesNow();
    expect(array_sum(array_column($before, 'is_request')))->toBe(2)->and(collect($before)->firstWhere('code', $codes[0])['number'])->toBe('2');

    $folder = sys_get_temp_dir().'/yposta-'.bin2hex(random_bytes(6));
    app(ExportBundle::class)($folder);
    app(ImportBundle::class)($folder, true, true);
    app(StartRun::class)([], null);
    expect(purchasesNow())->toEqual($before)->and(file_get_contents("{$folder}/purchase_documents.csv"))->toContain("{$codes[1]},{$codes[1]},1");
    array_map(unlink(...), glob("{$folder}/*"));
    rmdir($folder);
});

it('refuses documents that cannot be', function (string $row, string $says) {
    $files = [...Support::folder(dirname(__DIR__).'/cases/worked'), 'suppliers.csv' => "supplier,name\nSUP,Sup\nTWO,Two\n",
        'orders.csv' => "order,kind,status,item,site,supplier,qty,due\nA,buy,firm,ROD,MAIN,SUP,5,2026-03-20\nB,buy,firm,ROD,MAIN,TWO,5,2026-03-20\n"
            ."C,buy,released,ROD,MAIN,SUP,5,2026-03-20\nM,make,firm,HEAD,MAIN,,5,2026-03-20\nD,buy,firm,GLUE,MAIN,SUP,5,2026-03-20\n",
        'purchase_documents.csv' => "order,document,request\n{$row}"];
    $trouble = '';
    try {
        Support::bundle($files);
    } catch (BundleRefused $refused) {
        $trouble = implode("\n", array_map(strval(...), $refused->errors));
    }
    $says === '' ? expect($trouble)->toBe('') : expect($trouble)->toContain('purchase_documents.csv')->toContain($says);
})->with([
    ["A,P1,\nD,P1,\n", ''], ["A,,1\n", ''], ["D,A,\nA,A,\n", ''], ["A,P1,\nB,P1,\n", 'document_of_several'], ["A,P1,\nC,P1,\n", 'document_of_several'],
    ["A,P1,1\nD,P1,\n", 'document_of_several'], ["M,P1,\n", 'document_of_no_purchase'], ["C,,1\n", 'request_that_was_sent'], ["D,A,\n", 'document_is_an_order'], ["Z,P1,\n", 'Z'],
    ["A,P1,\nA,P2,\n", 'line 3'],
]);

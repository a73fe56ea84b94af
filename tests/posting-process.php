<?php

declare(strict_types=1);

/*
 * Posts at random, as somebody in the stores does: php posting-process.php SEED COUNT. Each posting has a key of its seed and number, so
 * that a process which was killed can be begun again and posts nothing twice; every third one is sent twice at once.
 */

use App\Actions\CountStock;
use App\Actions\IssueGoods;
use App\Actions\ReceiveGoods;
use App\Actions\ReverseMovement;
use App\Actions\ShipGoods;
use App\Models\User;
use App\Support\Refused;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Random\Engine\Mt19937;
use Random\Randomizer;

require __DIR__.'/../vendor/autoload.php';
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
[, $seed, $count] = $argv;
$random = new Randomizer(new Mt19937((int) $seed));
$by = User::role('stores')->firstOrFail();
$any = fn (string $query) => (array) (DB::select("{$query} order by 1")[$random->getInt(0, 1_000_000) % max(1, count(DB::select($query)))] ?? []);
$piece = fn () => $random->getInt(1, 4) * 1_000_000;
for ($number = 1; $number <= (int) $count; $number++) {
    $key = sprintf('posting-%05d-%05d', $seed, $number);
    $posts = match ($random->getInt(0, 4)) {
        0 => function () use ($any, $piece, $by, $key): void {
            $line = $any("select l.code from order_lines l join orders o on o.id = l.order_id where o.status <> 'cancelled' and l.cancelled = 0");
            app(ReceiveGoods::class)([['order' => $line['code'], 'item' => '', 'qty' => $piece(), 'last' => false, 'parts' => true]], null, '', $key, $by);
        },
        1 => function () use ($any, $piece, $by, $key, $random): void {
            $part = $any('select l.code, c.line from order_components c join order_lines l on l.id = c.order_line_id');
            $back = $random->getInt(0, 2) === 0 ? -1 : 1;
            app(IssueGoods::class)($part['code'], [['line' => $part['line'], 'qty' => $back * $piece()]], false, '', null, $key, $by);
        },
        2 => function () use ($any, $piece, $by, $key): void {
            $line = $any('select order_code, line from sales_lines');
            app(ShipGoods::class)([['order' => $line['order_code'], 'line' => $line['line'], 'qty' => $piece()]], null, '', $key, $by);
        },
        3 => function () use ($any, $piece, $by, $key): void {
            $row = $any('select item_code, site_code, qty from stock');
            app(CountStock::class)([['item' => $row['item_code'], 'site' => $row['site_code'], 'books' => (int) $row['qty'], 'qty' => (int) $row['qty'] + $piece()]], null, '', $key, $by);
        },
        default => function () use ($any, $by, $key): void {
            $movement = $any('select id, qty from movements');
            app(ReverseMovement::class)((int) $movement['id'], '', $key, $by);
        },
    };
    for ($time = $number % 3 === 0 ? 2 : 1; $time > 0; $time--) {
        try {
            $posts();
        } catch (Refused) {
            continue; // it does not fit: nothing is written then
        }
    }
    echo "{$key}\n";
}

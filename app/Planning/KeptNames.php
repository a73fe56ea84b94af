<?php

declare(strict_types=1);

namespace App\Planning;

use App\Support\Refused;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\WrittenRows;

/** What is over still names items, suppliers and centres, beyond what a network knows: those cannot be taken away, only retired. */
final class KeptNames
{
    /** Where what is over stands, besides what a network has: tables and their columns, by the table of what they name. */
    private const NAMED = [
        'items' => [['movements', 'item_code'], ['order_lines', 'item_code'], ['order_components', 'item_code'], ['missing_materials', 'item_code']],
        'sites' => [['movements', 'site_code'], ['orders', 'site_code'], ['order_lines', 'from_site_code']],
        'suppliers' => [['orders', 'supplier_code']],
        'work_centres' => [['order_operations', 'work_centre_code'], ['work_reports', 'work_centre_code']],
    ];

    /** @throws Refused when a code that goes is named by what is over */
    public static function check(Network $before, Network $after): void
    {
        foreach (WrittenRows::between($before, $after)->byClass() as $class => $pairs) {
            $declaration = Declaration::of($class);
            $codes = [];
            foreach ($declaration->code() === null || OrderTables::keeps($class) ? [] : $pairs as [$old, $new]) {
                $new === null && $old !== null && $codes[] = (string) $declaration->keyOf($old);
            }
            $codes === [] || self::checkCodes($declaration->file->table, $codes);
        }
    }

    /** @param  list<string>  $codes */
    private static function checkCodes(string $table, array $codes): void
    {
        foreach (self::NAMED[$table] ?? [] as [$kept, $column]) {
            $named = DB::table($kept)->whereIn($column, $codes)->value($column);
            $named === null || throw Refused::because('commit.kept', ['code' => Stored::text($named)], 'fit');
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Pages\AboutPage;
use App\Reading\Shapes\AboutTable;
use App\Reading\Shapes\LabelledValue;

/** Everything about an item, a supplier or a work centre in one place: its rows of all kinds of data that name it. */
final class AboutView
{
    /** Kinds that name something, by what it is, in the order in which they are asked for. */
    public const TABLES = [
        'items' => [
            'planning', 'stock', 'supplier_items', 'price_breaks', 'operations', 'operation_alternatives', 'orders', 'alternatives', 'substitutes',
        ],
        'suppliers' => ['supplier_items', 'price_breaks', 'planning', 'orders'],
        'work_centres' => ['shifts', 'closures', 'operations', 'operation_alternatives', 'setup_changes'],
    ];

    /** Rows that are shown of a kind; the others stand in its own list. */
    private const SHOWN = 60;

    /**
     * @param  'items'|'suppliers'|'work_centres'  $of
     * @return AboutPage|null null where there is none of that code
     */
    public static function page(string $of, string $code): ?AboutPage
    {
        $data = MasterData::named($of);
        $own = $data->about($of, $code, 1)->rows[0] ?? null;
        if ($own === null) {
            return null;
        }
        $tables = array_map(function (string $kind) use ($of, $code): AboutTable {
            $data = MasterData::named($kind);

            return new AboutTable($data->kind(), $data->naming($of), $data->about($of, $code, self::SHOWN));
        }, self::TABLES[$of]);
        $name = $own->values['name'] ?? '';

        return new AboutPage(
            of: $of, code: $code, name: is_string($name) ? $name : '', kind: $data->kind(), own: $own, facts: self::facts($of, $code),
            tables: $tables,
        );
    }

    /** @return list<LabelledValue> */
    private static function facts(string $of, string $code): array
    {
        $punctual = $of === 'suppliers' ? Punctuality::of([$code])[$code] ?? null : null;

        return $punctual === null ? [] : [new LabelledValue((string) trans('His last receipts'), $punctual->said())];
    }
}

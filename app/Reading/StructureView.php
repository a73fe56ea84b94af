<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\StructureRow;
use App\Support\Words;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Quantity\Quantity;

/** Structures as indented lists, down to raw stock and up to what is sold; read level by level. */
final class StructureView
{
    /** @var array<string, Collection<int, stdClass>> lines by item or component */
    private array $lines = [];

    public function __construct(private readonly string $site)
    {
    }

    /** @return list<StructureRow> */
    public function below(string $item, int $deepest, int $most): array
    {
        return $this->rows($item, 'item_code', 'component_code', $deepest, $most);
    }

    /** @return list<StructureRow> */
    public function above(string $item, int $deepest, int $most): array
    {
        return $this->rows($item, 'component_code', 'item_code', $deepest, $most);
    }

    /** @return list<StructureRow> */
    private function rows(string $item, string $from, string $to, int $deepest, int $most): array
    {
        $this->lines = [];
        $frontier = [$item];
        for ($level = 1; $level <= $deepest && $frontier !== []; $level++) {
            $found = DB::table('bom_lines as b')->join('items as i', 'i.code', '=', "b.{$to}")
                ->whereIn("b.{$from}", $frontier)->where(fn ($query) => $query->whereNull('b.site_code')->orWhere('b.site_code', $this->site))
                ->orderBy('b.id')->select(['b.*', 'i.name', 'i.unit', 'i.phantom'])->get()->groupBy($from);
            foreach ($frontier as $code) {
                $this->lines[$code] = $found->get($code, new Collection);
            }
            $frontier = array_values(array_filter(
                $found->flatten(1)->pluck($to)->unique()->all(),
                fn ($code) => ! isset($this->lines[$code]),
            ));
        }
        $rows = [];
        $this->collect($item, $to, 1, $deepest, $most, $rows);

        return $rows;
    }

    /** @param  list<StructureRow>  $rows */
    private function collect(string $item, string $to, int $level, int $deepest, int $most, array &$rows): void
    {
        foreach ($this->lines[$item] ?? [] as $line) {
            if (count($rows) >= $most || $level > $deepest) {
                return;
            }
            $rows[] = new StructureRow(
                item: $line->{$to},
                site: $this->site,
                name: $line->name,
                level: $level,
                qty: Quantity::format((int) $line->qty),
                unit: $line->unit,
                note: $this->note($line),
            );
            $this->collect($line->{$to}, $to, $level + 1, $deepest, $most, $rows);
        }
    }

    private function note(stdClass $line): string
    {
        $notes = [];
        (int) $line->base_qty === Quantity::ONE || $notes[] = trans('for :qty', ['qty' => Words::quantity((int) $line->base_qty, '')]);
        $line->basis === 'order' && $notes[] = trans('per order');
        (int) $line->scrap > 0 && $notes[] = trans('scrap :pct %', ['pct' => Words::quantity((int) $line->scrap, '')]);
        (int) $line->offset_days > 0 && $notes[] = trans('day :days', ['days' => $line->offset_days]);
        $line->valid_from === null || $notes[] = trans('from :day', ['day' => substr($line->valid_from, 0, 10)]);
        $line->valid_to === null || $notes[] = trans('to :day', ['day' => substr($line->valid_to, 0, 10)]);
        (bool) $line->phantom && $notes[] = trans('phantom');

        return implode(', ', $notes);
    }
}

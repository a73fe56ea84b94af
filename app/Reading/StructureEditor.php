<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\TableMap;
use App\Reading\Shapes\DataEdit;
use App\Reading\Shapes\DataEdited;
use App\Reading\Shapes\OutlineLine;
use App\Reading\Shapes\StructureOutline;
use App\Support\Refused;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Network\Basis;
use Yposta\Core\Network\BomLine;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\PutRows;
use Yposta\Core\Study\RowCodec;

/** Structures as they are with a person's draft, to be gone through and changed. */
final class StructureEditor
{
    private const DEEPEST = 12;

    private const MOST_LINES = 2_000;

    private const AT_ONCE = 400;

    /** @var array<string, true> identities of lines that the draft takes away */
    private array $removed = [];

    /** @var list<BomLine> lines that the draft adds */
    private array $added = [];

    private readonly Declaration $declaration;

    /** @param  list<list<Change>>  $draft */
    public function __construct(array $draft)
    {
        $this->declaration = Declaration::of(BomLine::class);
        foreach (array_merge(...$draft) as $change) {
            if ($change instanceof PutRows && $change->class === BomLine::class) {
                $this->take($change);
            }
        }
    }

    public function outline(string $item): StructureOutline
    {
        $names = $this->items([$item]);
        isset($names[$item]) || abort(404);
        $lines = $this->linesBelow($item);
        $names += $this->items(array_values(array_unique(array_map(
            fn (BomLine $line) => $line->component, array_merge([], ...array_values($lines)),
        ))));
        $rows = [];
        $this->collect($item, -1, 1, [$item => true], $lines, $names, $rows);
        $used = array_map(fn (BomLine $line) => new DataEdited($line->item, self::said($line)), $this->linesWith('component_code', [$item]));

        return new StructureOutline($item, Stored::text($names[$item]->name), $rows, $used, count($rows) >= self::MOST_LINES);
    }

    /**
     * One component in the place of another, in every structure where it is used.
     *
     * @throws Refused when one of them is not there
     */
    public function replaceEverywhere(string $component, string $by): DataEdit
    {
        $known = $this->items([$component, $by]);
        isset($known[$by]) && $by !== $component || throw Refused::because('data.no_item', ['item' => $by], 'item');

        return EditedRows::of(BomLine::class, array_map(
            fn (BomLine $line) => [$line, $line->with(component: $by)], $this->linesWith('component_code', [$component]),
        ));
    }

    private function take(PutRows $change): void
    {
        foreach ($change->removed as $parts) {
            $name = implode("\x1f", $parts);
            $own = array_filter($this->added, fn (BomLine $line) => $this->name($line) === $name);
            $own === [] ? $this->removed[$name] = true : $this->added = array_values(array_diff_key($this->added, $own));
        }
        foreach ($change->rows as $row) {
            if ($row instanceof BomLine) {
                unset($this->removed[$this->name($row)]);
                $this->added[] = $row;
            }
        }
    }

    /**
     * The lines of an item and of all that it is made of, by item.
     *
     * @return array<string, list<BomLine>>
     */
    private function linesBelow(string $item): array
    {
        $lines = [];
        $frontier = [$item];
        for ($level = 0; $level <= self::DEEPEST && $frontier !== []; $level++) {
            $found = $this->linesWith('item_code', $frontier);
            $lines += array_fill_keys($frontier, []);
            foreach ($found as $line) {
                $lines[$line->item][] = $line;
            }
            $frontier = array_values(array_unique(array_filter(
                array_map(fn (BomLine $line) => $line->component, $found), fn (string $code) => ! isset($lines[$code]),
            )));
        }

        return $lines;
    }

    /**
     * @param  'item_code'|'component_code'  $column
     * @param  list<string>  $codes
     * @return list<BomLine> by their lines
     */
    private function linesWith(string $column, array $codes): array
    {
        $map = TableMap::of(BomLine::class);
        $wanted = array_fill_keys($codes, true);
        $lines = [];
        foreach (array_chunk($codes, self::AT_ONCE) as $chunk) {
            foreach (DB::table('bom_lines')->whereIn($column, $chunk)->orderBy('id')->get() as $row) {
                $line = $map->object($row);
                isset($this->removed[$this->name($line)]) || $lines[$this->name($line)] = $line;
            }
        }
        foreach ($this->added as $line) {
            isset($wanted[$column === 'item_code' ? $line->item : $line->component]) && $lines[$this->name($line)] = $line;
        }
        uasort($lines, fn (BomLine $one, BomLine $other) => [$one->item, strlen($one->line), $one->line, $one->site]
            <=> [$other->item, strlen($other->line), $other->line, $other->site]);

        return array_values($lines);
    }

    /**
     * @param  array<string, true>  $above  items above it: what contains itself is not opened again
     * @param  array<string, list<BomLine>>  $lines
     * @param  array<string, stdClass>  $names
     * @param  list<OutlineLine>  $rows
     */
    private function collect(string $item, int $parent, int $level, array $above, array $lines, array $names, array &$rows): void
    {
        foreach ($lines[$item] ?? [] as $line) {
            if (count($rows) >= self::MOST_LINES) {
                return;
            }
            $id = count($rows);
            $part = $names[$line->component] ?? null;
            /** @var array<string, string|int|bool|null> $values */
            $values = RowCodec::encode($line);
            $rows[] = new OutlineLine(
                id: $id, parent: $parent, level: $level, identity: $this->declaration->identity($line), values: $values, item: $item,
                component: $line->component, name: Stored::text($part->name ?? $line->component), unit: Stored::text($part->unit ?? ''),
                qty: self::said($line), isPhantom: (bool) ($part->phantom ?? false), isRetired: (bool) ($part->retired ?? false),
                hasLines: ($lines[$line->component] ?? []) !== [], isDrafted: in_array($line, $this->added, true),
            );
            if ($level < self::DEEPEST && ! isset($above[$line->component])) {
                $this->collect($line->component, $id, $level + 1, [...$above, $line->component => true], $lines, $names, $rows);
            }
        }
    }

    /** How much of it goes into one, or into an order. */
    private static function said(BomLine $line): string
    {
        $said = Quantity::format($line->qty);
        $line->baseQty === Quantity::ONE || $said .= ' / '.Quantity::format($line->baseQty);
        $line->basis === Basis::Order && $said .= ' '.trans('for each order');

        return $said;
    }

    private function name(BomLine $line): string
    {
        return implode("\x1f", $this->declaration->identity($line));
    }

    /**
     * @param  list<string>  $codes
     * @return array<string, stdClass> name, unit, phantom, retired, by code
     */
    private function items(array $codes): array
    {
        $items = [];
        foreach (array_chunk($codes, self::AT_ONCE) as $chunk) {
            foreach (DB::table('items')->whereIn('code', $chunk)->get(['code', 'name', 'unit', 'phantom', 'retired']) as $row) {
                $items[Stored::text($row->code)] = $row;
            }
        }

        return $items;
    }
}

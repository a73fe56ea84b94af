<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\PromiseSubject;
use App\Support\Settings;
use App\Support\Stored;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;

/** What is held for customers and not accepted. */
final readonly class HeldPromises
{
    private const MOST = 200;

    private const COLUMNS = ['l.*', 'i.name', 'i.unit', 'i.decimals'];

    /** @return list<PromiseSubject> by the day on which they lapse */
    public function all(string $site): array
    {
        $today = Settings::planDate();

        return array_values($this->query($site)->join('items as i', 'i.code', '=', 'l.item_code')
            ->orderBy('l.held_until')->orderBy('l.order_code')->orderBy('l.line')->limit(self::MOST)
            ->get(self::COLUMNS)->map(fn (stdClass $row) => self::shape($row, $today))->all());
    }

    public function count(string $site): int
    {
        return $this->query($site)->count();
    }

    /** Those whose last day is one of two, by number; the lapsed ones are none of them. */
    public function lapsing(string $site, string $from, string $to): int
    {
        return $this->query($site)->whereBetween('l.held_until', [$from, $to])->count();
    }

    /** The sales line of a reference; null when there is none. */
    public function subject(string $reference): ?PromiseSubject
    {
        $parsed = Reference::tryParse($reference);
        $parts = $parsed?->kind === ReferenceKind::Sales ? $parsed->parts() : [];
        foreach ($parts as [$order, $line]) {
            $row = DB::table('sales_lines as l')->join('items as i', 'i.code', '=', 'l.item_code')->where('l.order_code', $order)
                ->where('l.line', $line)->whereColumn('l.shipped', '<', 'l.qty')->first(self::COLUMNS);
            if ($row !== null) {
                return self::shape($row, Settings::planDate());
            }
        }

        return null;
    }

    private static function shape(stdClass $row, string $today): PromiseSubject
    {
        $until = Stored::textOrNull($row->held_until);
        $reference = Reference::sales($row->order_code, $row->line);

        return new PromiseSubject(
            reference: (string) $reference,
            label: $reference->name,
            customer: $row->customer,
            item: $row->item_code,
            name: $row->name,
            site: $row->site_code,
            unit: $row->unit,
            decimals: (int) $row->decimals,
            qty: Quantity::format((int) $row->qty - (int) $row->shipped),
            due: substr($row->due, 0, 10),
            until: $until === null ? null : substr($until, 0, 10),
            lapsed: $until !== null && substr($until, 0, 10) < $today,
        );
    }

    private function query(string $site): Builder
    {
        return DB::table('sales_lines as l')->whereNotNull('l.held_until')
            ->when($site !== '', fn (Builder $query) => $query->where('l.site_code', $site));
    }
}

<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\OrderCodes;
use Illuminate\Database\Query\Builder;
use Yposta\Core\Network\OrderKind;

/** Under what headings the proposals stand. */
enum ProposalGrouping: string
{
    case Supplier = 'supplier';
    case Item = 'item';
    case Date = 'date';

    /** The heading of a proposal. */
    public function key(?OrderKind $kind, string $item, string $site, ?string $supplier, ?string $fromSite, string $start): string
    {
        $kind ??= OrderKind::Buy;

        return match ($this) {
            self::Item => "{$item}\x1f{$site}",
            self::Date => $start,
            self::Supplier => match ($kind) {
                OrderKind::Buy => "buy\x1f".(OrderCodes::together($kind, $supplier, $site) ?? "\x1f{$site}"),
                OrderKind::Make => "make\x1f{$site}",
                OrderKind::Transfer => "transfer\x1f{$fromSite}\x1f{$site}",
            },
        };
    }

    /** Sorts by the headings: those of suppliers by name, what is made and moved after what is bought. */
    public function apply(Builder $query): void
    {
        match ($this) {
            self::Item => $query->orderBy('p.item_code')->orderBy('p.site_code'),
            self::Date => $query->orderBy('s.start'),
            self::Supplier => $query->leftJoin('suppliers as g', 'g.code', '=', 's.supplier_code')
                ->orderByRaw("case s.type when 'buy' then 0 when 'make' then 2 else 1 end")
                ->orderByRaw("coalesce(g.name, '')")->orderByRaw("coalesce(s.supplier_code, '')")
                ->orderByRaw("coalesce(s.from_site_code, '')")->orderBy('p.site_code'),
        };
    }

    /**
     * The number and the cost of all proposals by heading.
     *
     * @param  Builder  $query  as {@see apply()} left it, in no order
     * @return array<string, array{int, int|null}> no cost of what is not bought, or was planned before costs were kept
     */
    public function counts(Builder $query): array
    {
        $columns = match ($this) {
            self::Item => ['p.item_code', 'p.site_code'],
            self::Date => ['s.start'],
            self::Supplier => ['s.type', 's.supplier_code', 's.from_site_code', 'p.site_code'],
        };
        $query->columns = null;
        $counts = [];
        foreach ($query->groupBy($columns)->get([...$columns, $query->raw('count(*) as number'), $query->raw('sum(s.cost) as cost')]) as $row) {
            $key = $this->key(
                OrderKind::tryFrom((string) ($row->type ?? '')), (string) ($row->item_code ?? ''), (string) ($row->site_code ?? ''),
                $row->supplier_code ?? null, $row->from_site_code ?? null, substr((string) ($row->start ?? ''), 0, 10),
            );
            [$number, $cost] = $counts[$key] ?? [0, null];
            $counts[$key] = [$number + (int) $row->number, $row->cost === null ? $cost : (int) $cost + (int) $row->cost];
        }

        return $counts;
    }
}

<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\ProposalHeading;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * The headings of a list of proposals, each with the number and the cost of all that stand under it.
 *
 * Counted from the index of the grouping alone: what has been converted, of which there is little, is taken off afterwards. Which
 * proposals stand at a place of the list then only needs those under the headings there.
 */
final readonly class ProposalHeadings
{
    /** @var array<int|string, array{int, int|null}> number and cost by heading, in the order of the list */
    public array $counts;

    public function __construct(
        private StoredPlan $plan,
        private ProposalFilter $filter,
        private ProposalGrouping $by,
    ) {
        // The site is not asked for where the headings tell it.
        $all = new OpenProposals($plan, $by === ProposalGrouping::Date ? $filter : $filter->everywhere());
        $counts = $this->counted($all->planned());
        foreach ($all->taken()->get(["{$by->column()} as heading", 's.cost']) as $one) {
            [$planned, $sum] = $counts[$this->key($one->heading)];
            $counts[$this->key($one->heading)] = [$planned - 1, $sum === null ? null : $sum - (int) $one->cost];
        }
        $counts = array_filter($counts, fn (array $count) => $count[0] > 0);
        $ordered = [];
        foreach ($this->inOrder($counts) as $key) {
            $ordered[$key] = $counts[$key];
        }
        $this->counts = $ordered;
    }

    /** Number of proposals under all headings. */
    public function total(): int
    {
        return array_sum(array_column($this->counts, 0));
    }

    /**
     * The proposals at a place of the list.
     *
     * @return array<int|string, list<int>> numbers of supplies by heading
     */
    public function page(ListOrder $order, int $from, int $rows): array
    {
        $page = $whole = [];
        foreach ($this->counts as $key => [$count]) {
            $skip = max(0, $from);
            $take = min($count - $skip, $rows);
            if ($take > 0) {
                $page[$key] = [];
                $skip === 0 && $take === $count ? $whole[] = $key : $page[$key] = $this->numbers([$key], $order, $skip, $take)[$key] ?? [];
                $rows -= $take;
            }
            $from -= $count;
            if ($rows <= 0) {
                break;
            }
        }
        foreach ($this->numbers($whole, $order) as $key => $numbers) {
            $page[$key] = $numbers;
        }

        return $page;
    }

    /**
     * @param  list<int|string>  $keys
     * @return array<int|string, list<int>>
     */
    private function numbers(array $keys, ListOrder $order, int $skip = 0, ?int $take = null): array
    {
        if ($keys === []) {
            return [];
        }
        $column = $this->by->column();
        $query = (new OpenProposals($this->plan, $this->filter))->query()->whereIn($column, $keys)->orderBy($column);
        $query = $order->apply($query, ProposalList::SORTED)
            ->orderBy('s.start')->orderBy('p.item_code')->orderBy('s.n')
            ->when($take !== null, fn (Builder $query) => $query->offset($skip)->limit((int) $take));
        $numbers = [];
        foreach ($query->get([$this->by->column().' as heading', 's.n']) as $row) {
            $numbers[$this->key($row->heading)][] = (int) $row->n;
        }

        return $numbers;
    }

    /**
     * @param  Builder  $query  of `plan_supplies as s`
     * @return array<int|string, array{int, int|null}> no cost of what is not bought, or was planned before costs were kept
     */
    private function counted(Builder $query): array
    {
        $column = $this->by->column();
        $counts = [];
        foreach ($query->groupBy($column)->get(["{$column} as heading", $query->raw('count(*) as number'), $query->raw('sum(s.cost) as cost')]) as $row) {
            $counts[$this->key($row->heading)] = [(int) $row->number, $row->cost === null ? null : (int) $row->cost];
        }

        return $counts;
    }

    private function key(mixed $value): int|string
    {
        return match ($this->by) {
            ProposalGrouping::Item => (int) $value,
            ProposalGrouping::Date => substr((string) $value, 0, 10),
            ProposalGrouping::Supplier => (string) $value,
        };
    }

    /**
     * Suppliers by name, then what is moved and made; items by their codes; days.
     *
     * @param  array<int|string, mixed>  $counts  by heading
     * @return list<int|string> those of the site
     */
    private function inOrder(array $counts): array
    {
        if ($this->by === ProposalGrouping::Date) {
            ksort($counts);

            return array_keys($counts);
        }
        if ($this->by === ProposalGrouping::Item) {
            $points = DB::table('plan_points')->where('run_id', $this->plan->run->id)
                ->when($this->filter->site !== '', fn (Builder $query) => $query->where('site_code', $this->filter->site))
                ->orderBy('item_code')->orderBy('site_code')->pluck('n')->map(fn ($n) => (int) $n);

            return array_values(array_filter($points->all(), fn (int $n) => isset($counts[$n])));
        }
        $names = DB::table('suppliers')->pluck('name', 'code')->map(fn ($name) => (string) $name)->all();
        $headings = $places = [];
        foreach (array_keys($counts) as $key) {
            $heading = ProposalHeading::parse((string) $key);
            if (in_array($this->filter->site, ['', $heading->site], true)) {
                $headings[] = $key;
                $places[] = $heading->place($names);
            }
        }
        array_multisort($places, $headings);

        return $headings;
    }
}

<?php

declare(strict_types=1);

namespace App\Reading;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** The proposals of a stored plan that no order has been made of, as far as a filter leaves them. */
final readonly class OpenProposals
{
    public function __construct(private StoredPlan $plan, private ProposalFilter $filter = new ProposalFilter)
    {
    }

    /**
     * How many there are: all less the converted, of which there are few.
     *
     * @param  string|null  $from  ISO date from which on they start; null for all
     */
    public function count(?string $from = null): int
    {
        $since = fn (Builder $query) => $query->when($from !== null, fn (Builder $query) => $query->where('s.start', '>=', $from));

        $counts = DB::query()->selectSub($since($this->planned())->selectRaw('count(*)'), 'planned')
            ->selectSub($since($this->converted())->selectRaw('count(*)'), 'converted')->first();

        return (int) $counts?->planned - (int) $counts?->converted;
    }

    /** Those with their points, `p`. */
    public function query(): Builder
    {
        return DB::table('plan_supplies as s')
            ->join('plan_points as p', fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'))
            ->where('s.run_id', $this->plan->run->id)->where('s.kind', 'proposal')
            ->whereNotIn('s.name', $this->convertedNames())
            ->when($this->filter->site !== '', fn (Builder $query) => $query->where('p.site_code', $this->filter->site))
            ->when($this->filter->until !== null, fn (Builder $query) => $query->where('s.start', '<=', $this->filter->until))
            ->when($this->filter->text !== '', fn (Builder $query) => TextMatch::in($query, ['p.item_code'], $this->filter->text));
    }

    /** All that were planned, converted or not. */
    public function planned(): Builder
    {
        return $this->narrowed(DB::table('plan_supplies as s'));
    }

    /** Those that orders have been made of. */
    public function converted(): Builder
    {
        return $this->narrowed(DB::table('plan_supplies as s')->whereIn('s.name', $this->convertedNames()));
    }

    private function convertedNames(): Builder
    {
        return DB::table('conversions')->where('run_id', $this->plan->run->id)->selectRaw('cast(proposal as varchar(20))');
    }

    private function narrowed(Builder $query): Builder
    {
        $filter = $this->filter;

        return $query->where('s.run_id', $this->plan->run->id)->where('s.kind', 'proposal')
            ->when($filter->until !== null, fn (Builder $query) => $query->where('s.start', '<=', $filter->until))
            ->when($filter->site !== '' || $filter->text !== '', fn (Builder $query) => $query->whereIn(
                's.point',
                DB::table('plan_points as q')->where('q.run_id', $this->plan->run->id)
                    ->when($filter->site !== '', fn (Builder $query) => $query->where('q.site_code', $filter->site))
                    ->when($filter->text !== '', fn (Builder $query) => TextMatch::in($query, ['q.item_code'], $filter->text))
                    ->select('q.n'),
            ));
    }
}

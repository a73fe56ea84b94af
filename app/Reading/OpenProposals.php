<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\PutOffs;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** The proposals of a stored plan that no order has been made of and that nobody has put off, as far as a filter leaves them. */
final readonly class OpenProposals
{
    public function __construct(private StoredPlan $plan, private ProposalFilter $filter = new ProposalFilter)
    {
    }

    /**
     * How many there are: all less those that are taken, of which there are few.
     *
     * @param  string|null  $from  ISO date from which on they start; null for all
     */
    public function count(?string $from = null): int
    {
        $since = fn (Builder $query) => $query->when($from !== null, fn (Builder $query) => $query->where('s.start', '>=', $from));

        $counts = DB::query()->selectSub($since($this->planned())->selectRaw('count(*)'), 'planned')
            ->selectSub($since($this->taken())->selectRaw('count(*)'), 'taken')->first();

        return (int) $counts?->planned - (int) $counts?->taken;
    }

    /** Those with their points, `p`. */
    public function query(): Builder
    {
        return DB::table('plan_supplies as s')
            ->join('plan_points as p', fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'))
            ->where('s.run_id', $this->plan->run->id)->where('s.kind', 'proposal')
            ->whereNotIn('s.name', $this->takenNames())
            ->when($this->filter->resting, fn (Builder $query) => $query->whereIn('s.name', PutOffs::names($this->plan->run->id)))
            ->when($this->filter->site !== '', fn (Builder $query) => $query->where('p.site_code', $this->filter->site))
            ->when($this->filter->until !== null, fn (Builder $query) => $query->where('s.start', '<=', $this->filter->until))
            ->when($this->filter->text !== '', fn (Builder $query) => TextMatch::in($query, ['p.item_code'], $this->filter->text));
    }

    /** All that were planned, taken or not. */
    public function planned(): Builder
    {
        return $this->narrowed(DB::table('plan_supplies as s'));
    }

    /** Those that orders have been made of, or that rest. */
    public function taken(): Builder
    {
        return $this->narrowed(DB::table('plan_supplies as s')->whereIn('s.name', $this->takenNames()));
    }

    private function takenNames(): Builder
    {
        $converted = DB::table('conversions')->where('run_id', $this->plan->run->id)->selectRaw('cast(proposal as varchar(20))');

        return $this->filter->resting ? $converted : $converted->union(PutOffs::names($this->plan->run->id));
    }

    private function narrowed(Builder $query): Builder
    {
        $filter = $this->filter;

        return $query->where('s.run_id', $this->plan->run->id)->where('s.kind', 'proposal')
            ->when($filter->until !== null, fn (Builder $query) => $query->where('s.start', '<=', $filter->until))
            ->when($filter->resting, fn (Builder $query) => $query->whereIn('s.name', PutOffs::names($this->plan->run->id)))
            ->when($filter->site !== '' || $filter->text !== '', fn (Builder $query) => $query->whereIn(
                's.point',
                DB::table('plan_points as q')->where('q.run_id', $this->plan->run->id)
                    ->when($filter->site !== '', fn (Builder $query) => $query->where('q.site_code', $filter->site))
                    ->when($filter->text !== '', fn (Builder $query) => TextMatch::in($query, ['q.item_code'], $filter->text))
                    ->select('q.n'),
            ));
    }
}

<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Run;
use App\Support\Stored;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Run\Supply;
use Yposta\Core\Structure\Point;
use Yposta\Core\Study\ProposalOrigin;
use Yposta\Core\Study\ProposalOrigins;

/**
 * The proposals of the live run that no order has been made of. A proposal of another plan is one of them when nothing of it differs: item,
 * site, kind, supplier, source, quantity and dates; of several alike it is the one in the same place.
 */
final class RunProposals implements ProposalOrigins
{
    /** @var array<string, Collection<int, stdClass>> open proposals by item and site, in the order in which they were made */
    private array $open = [];

    public function __construct(private readonly ?Run $run)
    {
    }

    public static function live(): self
    {
        return new self(Run::live());
    }

    public function of(Point $point, Supply $proposal, int $place): ?ProposalOrigin
    {
        return $this->at($this->open($point->item->code, $point->site->code), self::facts(
            (string) $proposal->type?->value, $proposal->supplier, $proposal->fromSite, $proposal->qty, (new Dates)->iso($proposal->start),
            (new Dates)->iso($proposal->due),
        ), $place);
    }

    /**
     * What stands for a proposal of the live run or one before it in the list of today: itself while it is open, else one that is alike.
     *
     * @param  list<ProposalOrigin>  $taken  by others
     */
    public function standing(ProposalOrigin $origin, array $taken): ?ProposalOrigin
    {
        $old = $this->query($origin->run)->where('s.name', (string) $origin->number)->first();
        if ($old === null || $this->run === null) {
            return null;
        }
        $alike = $this->open(
            Stored::text($old->item_code),
            Stored::text($old->site_code),
        )->filter(fn (stdClass $row) => self::factsOf($row) === self::factsOf($old))
            ->map(fn (stdClass $row) => new ProposalOrigin($this->run->id, Stored::int($row->name)))
            ->reject(fn (ProposalOrigin $one) => in_array($one, $taken, false))->values();

        return $alike->first(fn (ProposalOrigin $one) => $one == $origin) ?? $alike->first();
    }

    /**
     * Of some proposals those that orders have been made of, with the order and who made it.
     *
     * @param  list<ProposalOrigin>  $origins
     * @return Collection<int, stdClass> run_id, proposal, order, by
     */
    public static function converted(array $origins): Collection
    {
        $found = new Collection;
        foreach (collect($origins)->groupBy('run') as $run => $ofRun) {
            $found = $found->merge(DB::table('conversions as c')->join('order_lines as l', 'l.id', '=', 'c.order_line_id')
                ->join('orders as o', 'o.id', '=', 'l.order_id')->join('users as u', 'u.id', '=', 'c.user_id')
                ->where('c.run_id', $run)->whereIn('c.proposal', $ofRun->pluck('number')->all())->get([
                    'c.run_id', 'c.proposal', 'o.code as order', 'u.name as by',
                ]));
        }

        return $found;
    }

    /**
     * An order that was made of a proposal of another run after this one had read the data, for a point of some of its proposals: they
     * may be covered by it.
     *
     * @param  list<int>  $numbers
     */
    public static function orderedSince(Run $run, array $numbers): ?stdClass
    {
        $points = (new self($run))->query($run->id)->whereIn('s.name', array_map(strval(...), $numbers));

        return DB::table('conversions as c')->join('order_lines as l', 'l.id', '=', 'c.order_line_id')
            ->join('orders as o', 'o.id', '=', 'l.order_id')->join('users as u', 'u.id', '=', 'c.user_id')
            ->joinSub($points, 'x', fn (JoinClause $join) => $join->on('x.item_code', '=', 'l.item_code')->on('x.site_code', '=', 'o.site_code'))
            ->where('c.id', '>', $run->last_conversion)->where('c.run_id', '<>', $run->id)->where('l.cancelled', false)
            ->orderByDesc('c.id')->first(['l.item_code as item', 'o.code as order', 'u.name as by']);
    }

    /** @return Collection<int, stdClass> */
    private function open(string $item, string $site): Collection
    {
        return $this->open["{$item}\x1f{$site}"] ??= $this->readOpen($item, $site);
    }

    /** @return Collection<int, stdClass> */
    private function readOpen(string $item, string $site): Collection
    {
        // The point by itself: where it is joined in, the database may go through all proposals of the run for it.
        $point = DB::table('plan_points')->where('run_id', $this->run?->id)->where('item_code', $item)->where('site_code', $site)->value('n');

        return $this->run === null || $point === null ? new Collection : $this->query($this->run->id)
            ->leftJoin('conversions as c', fn (JoinClause $join) => $join->on('c.run_id', '=', 's.run_id')->whereRaw('s.name = cast(c.proposal as varchar(20))'))->whereNull('c.id')
            ->where('s.point', $point)->orderBy('s.n')->get();
    }

    private function query(int $run): Builder
    {
        return DB::table('plan_supplies as s')->join(
            'plan_points as p',
            fn (JoinClause $join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'),
        )
            ->where('s.run_id', $run)->where('s.kind', 'proposal')->select([
                's.name', 's.type', 's.supplier_code', 's.from_site_code', 's.qty', 's.start', 's.due', 'p.item_code',
                'p.site_code',
            ]);
    }

    /**
     * @param  Collection<int, stdClass>  $open
     * @param  list<int|string|null>  $facts
     */
    private function at(Collection $open, array $facts, int $place): ?ProposalOrigin
    {
        $row = $open->filter(fn (stdClass $row) => self::factsOf($row) === $facts)->values()->get($place);

        return $row === null || $this->run === null ? null : new ProposalOrigin($this->run->id, Stored::int($row->name));
    }

    /** @return list<int|string|null> */
    private static function factsOf(stdClass $row): array
    {
        return self::facts(
            Stored::text($row->type), Stored::textOrNull($row->supplier_code), Stored::textOrNull($row->from_site_code),
            Stored::int($row->qty),
            substr(Stored::text($row->start), 0, 10), substr(Stored::text($row->due), 0, 10),
        );
    }

    /** @return list<int|string|null> */
    private static function facts(string $kind, ?string $supplier, ?string $from, int $qty, string $start, string $due): array
    {
        return [$kind, $supplier, $from, $qty, $start, $due];
    }
}

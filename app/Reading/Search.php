<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\Hit;
use App\Reading\Shapes\HitKind;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Finds items, orders, sales orders, jobs, customers and suppliers by a part of their code or name. */
final readonly class Search
{
    private const EACH = 5;

    /** Letters from which on a customer is meant. */
    private const NAME = 3;

    /** @return list<Hit> */
    public function find(string $text, ?StoredPlan $plan): array
    {
        $text = trim($text);
        if ($text === '') {
            return [];
        }
        $hits = [];
        foreach ($this->matching(DB::table('items'), ['code', 'name'], $text)->orderByRaw('length(code)')->orderBy('code')
            ->limit(self::EACH)->get() as $item) {
            $at = $plan === null
                ? ''
                : (string) $plan->pointsQuery()->where('p.item_code', $item->code)->orderBy('p.level')->value('p.site_code');
            $hits[] = new Hit(HitKind::Item, $item->code, $item->name, Describe::itemHref($item->code, $at));
        }
        foreach ($this->matching(DB::table('orders'), ['code'], $text)->orderBy('code')->limit(self::EACH)->get() as $order) {
            $hits[] = new Hit(HitKind::Order, $order->code, trans("supply.{$order->kind}"), '/orders/'.rawurlencode($order->code));
        }
        foreach ($this->matching(DB::table('sales_lines'), ['order_code'], $text)->distinct()->orderBy('order_code')->limit(self::EACH)
            ->get(['order_code', 'customer']) as $sales) {
            $hits[] = new Hit(
                HitKind::Sales, $sales->order_code, $sales->customer, '/demand?'.http_build_query(['q' => $sales->order_code]),
            );
        }
        foreach ($this->matching(DB::table('jobs_for_customers'), ['code', 'name', 'customer'], $text)->orderBy('code')->limit(self::EACH)->get() as $job) {
            $hits[] = new Hit(HitKind::Job, $job->code, $job->name, Describe::jobHref($job->code));
        }
        foreach ($this->matching(DB::table('sales_lines'), ['customer'], $text)->distinct()->orderBy('customer')->limit(self::EACH)
            ->pluck('customer') as $customer) {
            $hits[] = new Hit(HitKind::Customer, $customer, '', '/demand?'.http_build_query(['q' => $customer]));
        }
        array_push($hits, ...$this->madeFor($text, $plan));
        foreach ($this->matching(DB::table('suppliers'), ['code', 'name'], $text)->orderBy('name')->limit(self::EACH)->get() as $supplier) {
            $hits[] = new Hit(
                HitKind::Supplier, $supplier->name, $supplier->code, '/plan?'.http_build_query(['supplier' => $supplier->code]),
            );
        }

        return $hits;
    }

    /** @return list<Hit> the production orders that the customer of that name waits for */
    private function madeFor(string $text, ?StoredPlan $plan): array
    {
        $customers = $plan === null || mb_strlen($text) < self::NAME ? [] : $this->matching(
            DB::table('sales_lines')->where('customer', '<>', ''), ['customer'], $text,
        )->distinct()->orderBy('customer')->limit(2)->pluck('customer')->all();
        if ($plan === null || count($customers) !== 1) {
            return [];
        }

        return array_map(fn (string $code) => new Hit(
            HitKind::Order, $code, (string) trans('made for :customer', ['customer' => (string) $customers[0]]), Describe::orderHref($code),
        ), CustomerOrders::of($plan->run->id, (string) $customers[0], self::EACH));
    }

    /** @param  list<string>  $columns */
    private function matching(Builder $query, array $columns, string $text): Builder
    {
        return TextMatch::in($query, $columns, $text);
    }
}

<?php

declare(strict_types=1);

namespace App\Documents;

use App\Support\Refused;
use App\Support\Settings;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What was shipped at once, for the customers who get it. What was taken back since is left out. */
final readonly class DeliveryNote
{
    /**
     * @param  int  $number  of the commit that shipped it
     * @param  string  $day  ISO date
     * @param  list<string>  $company  name and address of who sends it
     * @param  array<string, list<DeliveryLine>>  $customers  by customer and order
     */
    private function __construct(public int $number, public string $day, public array $company, public array $customers)
    {
    }

    /** @throws Refused when nothing was shipped with it */
    public static function of(int $commit): self
    {
        $rows = DB::table('movements as m')->where('m.commit_id', $commit)->where('m.kind', 'shipment')->where('m.qty', '<', 0)
            ->leftJoin('movements as c', 'c.counter_of', '=', 'm.id')->whereNull('c.id')->join('items as i', 'i.code', '=', 'm.item_code')
            ->orderBy('m.id')->get(['m.*', 'i.name', 'i.unit']);
        $first = $rows->first() ?? throw Refused::because('paper.nothing_delivered', [], 'empty');
        $customers = [];
        foreach ($rows as $row) {
            $reference = substr(Stored::text($row->document), strlen('sales:'));
            $cut = (int) strrpos($reference, '/');
            $line = DB::table('sales_lines')->where('order_code', substr($reference, 0, $cut))->where('line', substr($reference, $cut + 1))->first();
            $customer = Stored::text($line->customer ?? '');
            $customers[$customer === '' ? substr($reference, 0, $cut) : $customer][] = self::line($row, $reference, $line);
        }

        return new self(
            $commit, substr(Stored::text($first->day), 0, 10),
            array_values(array_filter([Settings::company()['name'], ...array_map(trim(...), explode(',', Settings::company()['address']))])), $customers,
        );
    }

    private static function line(stdClass $row, string $reference, ?stdClass $line): DeliveryLine
    {
        return new DeliveryLine(
            line: $reference, item: Stored::text($row->item_code), name: Stored::text($row->name), unit: Stored::text($row->unit),
            qty: -Stored::int($row->qty), left: $line === null ? 0 : max(0, Stored::int($line->qty) - Stored::int($line->shipped)),
        );
    }
}

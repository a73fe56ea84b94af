<?php

declare(strict_types=1);

namespace App\Documents;

use App\Models\Order;
use App\Planning\NetworkReader;
use App\Support\Refused;
use App\Support\Settings;
use App\Support\Stored;
use Brick\Math\BigInteger;
use Brick\Math\RoundingMode;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Network\PurchasePrices;
use Yposta\Core\Quantity\Quantity;

/** All that a purchase order says to its supplier. */
final readonly class PurchasePaper
{
    /** A cent in millionths. */
    private const CENT = 10_000;

    /** Of a line; a thousand of them still add up. */
    private const MOST_CENTS = 900_000_000_000;

    /**
     * @param  list<string>  $company  name and address of who orders
     * @param  list<string>  $place  where it is to be delivered
     * @param  list<string>  $supplier  name and address
     * @param  string  $day  ISO date on which it says so
     * @param  list<PurchaseLine>  $lines
     * @param  int|null  $total  millionths of the currency; null where a price is missing
     * @param  string  $text  what it says beside its lines
     */
    private function __construct(
        public string $code,
        public string $day,
        public array $company,
        public array $place,
        public array $supplier,
        public string $contact,
        public string $email,
        public string $terms,
        public string $currency,
        public array $lines,
        public ?int $total,
        public string $text,
    ) {
    }

    /** @throws Refused when it is no purchase order, is only asked for, or nothing of it is left */
    public static function of(Order $order): self
    {
        $paper = self::asItStands($order);

        return $paper->lines === [] ? throw Refused::because('paper.nothing_left', ['order' => $order->code], 'empty') : $paper;
    }

    /**
     * Also where nothing of it is left, as its supplier has to know.
     *
     * @throws Refused when it is no purchase order, or is only asked for
     */
    public static function asItStands(Order $order): self
    {
        $supplier = DB::table('suppliers')->where('code', $order->supplier_code)->first();
        $order->kind === 'buy' && $supplier !== null && ! $order->is_request || throw Refused::because('paper.no_purchase', ['order' => $order->code], 'kind');
        $site = DB::table('sites')->where('code', $order->site_code)->first();
        $rows = DB::table('order_lines as l')->join('items as i', 'i.code', '=', 'l.item_code')
            ->leftJoin('supplier_items as s', fn ($join) => $join->on('s.item_code', '=', 'l.item_code')->where('s.supplier_code', $order->supplier_code))
            ->where('l.order_id', $order->id)->where('l.cancelled', false)->orderBy('l.number')
            ->get(['l.*', 'i.name', 'i.unit', 'i.decimals', 's.their_code']);
        $prices = app(NetworkReader::class)->prices(array_values($rows->pluck('item_code')->unique()->map(Stored::text(...))->all()));
        $lines = array_values($rows->map(fn (stdClass $row) => self::line($row, $prices, Stored::text($order->supplier_code)))->all());
        $values = array_map(fn (PurchaseLine $line) => $line->value, $lines);

        return new self(
            code: $order->code,
            day: Settings::planDate(),
            company: self::address(Settings::company()['name'], Settings::company()['address']),
            place: self::address(Stored::text($site->name ?? $order->site_code), Stored::text($site->address ?? '')),
            supplier: self::address(Stored::text($supplier->name), Stored::text($supplier->address)),
            contact: Stored::text($supplier->contact), email: Stored::text($supplier->email), terms: Stored::text($supplier->terms),
            currency: Stored::text($supplier->currency), lines: $lines,
            total: in_array(null, $values, true) ? null : array_sum($values), text: $order->text ?? '',
        );
    }

    /** @return array<string, mixed> as it is kept with a version */
    public function kept(): array
    {
        return [...get_object_vars($this), 'lines' => array_map(get_object_vars(...), $this->lines)];
    }

    /** @param  array<string, mixed>  $kept */
    public static function ofKept(array $kept): self
    {
        $lines = array_map(fn (mixed $line) => new PurchaseLine(...(array) $line), array_values((array) $kept['lines']));

        return new self(...[...$kept, 'lines' => $lines]);
    }

    /** Whether another says the same to the supplier. */
    public function isAs(self $other): bool
    {
        return array_diff_key($this->kept(), ['day' => true]) === array_diff_key($other->kept(), ['day' => true]);
    }

    private static function line(stdClass $row, PurchasePrices $prices, string $supplier): PurchaseLine
    {
        $qty = Stored::int($row->qty);
        $price = $row->price === null ? $prices->price(Stored::text($row->item_code), $supplier, $qty) : Stored::int($row->price);

        return new PurchaseLine(
            number: Stored::int($row->number), item: Stored::text($row->item_code), theirs: Stored::text($row->their_code ?? ''),
            name: Stored::text($row->name), qty: $qty, unit: Stored::text($row->unit), decimals: Stored::int($row->decimals),
            price: $price, value: $price === null ? null : self::value($price, $qty), due: substr(Stored::text($row->due), 0, 10),
        );
    }

    /** Price times quantity, to the nearest cent, exactly; null where nobody pays so much. */
    private static function value(int $price, int $qty): ?int
    {
        $cents = BigInteger::of($price)->multipliedBy($qty)->dividedBy(Quantity::ONE * self::CENT, RoundingMode::HALF_UP);

        return $cents->isGreaterThan(self::MOST_CENTS) ? null : $cents->toInt() * self::CENT;
    }

    /** @return list<string> */
    private static function address(string $name, string $address): array
    {
        return array_values(array_filter([$name, ...array_map(trim(...), explode(',', $address))], fn (string $line) => $line !== ''));
    }
}

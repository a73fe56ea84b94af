<?php

declare(strict_types=1);

namespace App\Planning;

use App\Support\Settings;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\Item;
use Yposta\Core\Network\Network;

/** What must be known to write figures of some items into a forecast, and no more: a cell is typed in no time in a large company, too. */
final readonly class ForecastGround
{
    private const AT_ONCE = 300;

    /**
     * @param  array<string, ForecastBucket>  $cells  of the forecast by {@see name()}
     * @param  array<string, int>  $versions  of those, by the same
     * @param  array<string, BucketSize>  $sizes  what a point is kept in, by {@see Network::key()}
     * @param  array<string, int>  $most  the largest figure of a point, millionths
     */
    private function __construct(
        public string $forecast,
        public Network $network,
        public ForecastSpan $span,
        public array $cells,
        public array $versions,
        public array $sizes,
        public array $most,
    ) {
    }

    /**
     * Call within the transaction that writes.
     *
     * @param  list<string>  $items  codes
     */
    public static function of(string $forecast, array $items, NetworkReader $reader): self
    {
        $network = $reader->forecastsOf($items);
        $cells = $versions = $sizes = $most = [];
        foreach ($network->forecasts as $bucket) {
            if ($bucket->forecast === $forecast) {
                $point = Network::key($bucket->item, $bucket->site);
                $cells[self::name($bucket->item, $bucket->site, $bucket->start)] = $bucket;
                $sizes[$point] ??= $bucket->bucket;
                $most[$point] = max($most[$point] ?? 0, $bucket->qty);
            }
        }
        foreach (array_chunk($items, self::AT_ONCE) as $some) {
            $rows = DB::table('forecast_buckets')->where('forecast', $forecast)->whereIn('item_code', $some)
                ->get(['item_code', 'site_code', 'start', 'version']);
            foreach ($rows as $row) {
                $start = Day::parse(substr(Stored::text($row->start), 0, 10));
                $versions[self::name(Stored::text($row->item_code), Stored::text($row->site_code), $start)] = Stored::int($row->version);
            }
        }

        $span = new ForecastSpan(ForecastSpan::heading($forecast), Day::parse(Settings::planDate()));

        return new self(
            forecast: $forecast, network: $network, span: $span, cells: $cells, versions: $versions, sizes: $sizes, most: $most,
        );
    }

    /** What tells a cell from the others of its forecast. */
    public static function name(string $item, string $site, int $start): string
    {
        return "{$item}\x1f{$site}\x1f{$start}";
    }

    public function item(string $code): ?Item
    {
        return $this->network->items[$code] ?? null;
    }
}

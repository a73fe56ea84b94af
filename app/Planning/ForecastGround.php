<?php

declare(strict_types=1);

namespace App\Planning;

use App\Reading\ForecastView;
use App\Support\Settings;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\ForecastName;
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
        public ?ForecastName $heading,
        public int $today,
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
                $versions[self::name($row->item_code, $row->site_code, Day::parse(substr(Stored::text($row->start), 0, 10)))] = (int) $row->version;
            }
        }

        return new self(
            $forecast, $network, ForecastView::heading($forecast), Day::parse(Settings::planDate()), $cells, $versions, $sizes, $most,
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

    public function isOpen(int $start, BucketSize $size): bool
    {
        return ForecastView::isOpen($this->heading, $start, $size, $this->today);
    }
}

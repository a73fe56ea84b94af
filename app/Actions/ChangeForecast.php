<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\ForecastBucket;
use App\Models\Item;
use App\Models\User;
use App\Support\Journal;
use App\Support\Say;
use App\Support\Settings;
use Illuminate\Support\Facades\DB;
use InvalidArgumentException;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Quantity\InvalidQuantity;
use Yposta\Core\Quantity\Quantity;

/** Types a quantity into a cell of a forecast. */
final readonly class ChangeForecast
{
    /**
     * @param  string  $start  ISO date of the bucket's first day
     * @param  string  $qty  decimal number; 0 empties the cell
     * @param  int  $version  of the cell as it was seen; 0 for an empty one
     *
     * @throws Refused when the quantity or bucket is wrong, or someone else has changed the cell
     */
    public function __invoke(string $forecast, string $item, string $site, string $start, string $qty, int $version, User $by): ForecastBucket
    {
        $of = Item::query()->find($item);
        $like = ForecastBucket::query()->where(['forecast' => $forecast, 'item_code' => $item, 'site_code' => $site])->first();
        if ($of === null || $like === null) {
            throw new Refused("There is no forecast {$forecast} of {$item} at {$site}. Nothing was changed.");
        }
        $millionths = $this->quantity($qty, $of);
        $this->checkStart($start, BucketSize::from($like->bucket));

        return DB::transaction(function () use ($forecast, $item, $site, $start, $millionths, $version, $by, $of, $like): ForecastBucket {
            $cell = ForecastBucket::query()->where(['forecast' => $forecast, 'item_code' => $item, 'site_code' => $site, 'start' => $start])->lockForUpdate()->first();
            if (($cell->version ?? 0) !== $version) {
                $now = Say::quantity((int) ($cell->qty ?? 0), $of->unit);
                throw new Refused("Someone else has put {$now} there meanwhile. Your ".Say::quantity($millionths, $of->unit).' was not taken; look and type it again.', 'stale', ['qty' => Quantity::format((int) ($cell->qty ?? 0)), 'version' => $cell->version ?? 0]);
            }
            $before = (int) ($cell->qty ?? 0);
            if ($cell === null) {
                $cell = ForecastBucket::query()->create(['forecast' => $forecast, 'item_code' => $item, 'site_code' => $site, 'bucket' => $like->bucket, 'start' => $start, 'qty' => $millionths, 'version' => 1]);
            } elseif ($before !== $millionths) {
                $cell->update(['qty' => $millionths, 'version' => $cell->version + 1]);
            }
            if ($before !== $millionths) {
                Journal::write('forecast', "Forecast {$forecast} of {$item} from ".Say::isoDay($start, Day::parse(Settings::planDate())).': '.Quantity::format($before).' to '.Quantity::format($millionths), $by, $cell, ['from' => $before, 'to' => $millionths]);
            }

            return $cell;
        });
    }

    private function quantity(string $text, Item $item): int
    {
        try {
            $qty = Quantity::parse(trim($text) === '' ? '0' : trim($text));
        } catch (InvalidQuantity $trouble) {
            throw new Refused(ucfirst($trouble->getMessage()).'. The forecast is as it was.', 'quantity');
        }
        if ($qty < 0) {
            throw new Refused('A forecast cannot be negative. It is as it was.', 'quantity');
        }
        if (! Quantity::fits($qty, (int) $item->decimals)) {
            throw new Refused("{$item->code} has {$item->decimals} decimals, ".Quantity::format($qty).' has more. The forecast is as it was.', 'quantity');
        }

        return $qty;
    }

    private function checkStart(string $start, BucketSize $bucket): void
    {
        try {
            $day = Day::parse($start);
        } catch (InvalidArgumentException $trouble) {
            throw new Refused(ucfirst($trouble->getMessage()).'. The forecast is as it was.', 'date');
        }
        if ($bucket->startOf($day) !== $day) {
            throw new Refused("{$start} does not begin a {$bucket->value}. The forecast is as it was.", 'date');
        }
    }
}

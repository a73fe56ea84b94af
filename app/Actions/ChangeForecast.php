<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\ForecastCellRow;
use App\Models\MasterItem;
use App\Models\User;
use App\Support\Journal;
use App\Support\Refused;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Date;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\InvalidDay;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\InvalidQuantity;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Quantity\QuantityGuard;
use Yposta\Core\Study\SoundChange;
use Yposta\Core\Study\Unsound;
use Yposta\Core\Support\Phrase;

/** Types a quantity into a cell of a forecast. */
final readonly class ChangeForecast
{
    /**
     * @param  string  $start  ISO date of the bucket's first day
     * @param  string  $qty  decimal number; 0 empties the cell
     * @param  int  $version  of the cell as it was seen; 0 for an empty one
     * @param  bool  $sure  whether the person has seen that it is far from what stood there
     *
     * @throws Refused when the quantity or bucket is wrong, or someone else has changed the cell
     */
    public function __invoke(
        string $forecast,
        string $item,
        string $site,
        string $start,
        string $qty,
        int $version,
        User $by,
        bool $sure = false,
    ): ForecastCellRow {
        $of = MasterItem::query()->find($item);
        $like = ForecastCellRow::query()->where(['forecast' => $forecast, 'item_code' => $item, 'site_code' => $site])->first();
        if ($of === null || $like === null) {
            throw Refused::because('forecast.none', ['forecast' => $forecast, 'item' => $item, 'site' => $site]);
        }
        $millionths = $this->quantity($qty, $of);
        $this->checkStart($start, BucketSize::from($like->bucket));
        $sure || $this->checkFar($forecast, $of, $site, $start, $millionths);

        return DB::transaction(function () use ($forecast, $item, $site, $start, $millionths, $version, $by, $of, $like): ForecastCellRow {
            $cell = ForecastCellRow::query()->where([
                'forecast' => $forecast, 'item_code' => $item, 'site_code' => $site, 'start' => $start,
            ])->lockForUpdate()->first();
            if (($cell->version ?? 0) !== $version) {
                $now = new Amount((int) ($cell->qty ?? 0), $of->unit);
                throw Refused::because(
                    'forecast.stale', ['now' => $now, 'typed' => new Amount($millionths, $of->unit)], 'stale',
                    ['qty' => Quantity::format((int) ($cell->qty ?? 0)), 'version' => $cell->version ?? 0],
                );
            }
            $before = (int) ($cell->qty ?? 0);
            if ($cell === null) {
                $cell = ForecastCellRow::query()->create([
                    'forecast' => $forecast, 'item_code' => $item, 'site_code' => $site, 'bucket' => $like->bucket,
                    'start' => $start, 'qty' => $millionths, 'version' => 1,
                ]);
            } elseif ($before !== $millionths) {
                $cell->update(['qty' => $millionths, 'version' => $cell->version + 1]);
            }
            if ($before !== $millionths) {
                Journal::write(
                    'forecast',
                    Words::say(new Phrase(
                        'journal.forecast',
                        [
                            'forecast' => $forecast, 'item' => $item, 'start' => new Date(Day::parse($start)),
                            'before' => new Amount($before), 'after' => new Amount($millionths),
                        ],
                    )),
                    $by, $cell, ['from' => $before, 'to' => $millionths],
                );
            }

            return $cell;
        });
    }

    /**
     * Beside what stands in the cell, or the most that the forecast has of the item where it is empty.
     *
     * @throws Refused
     */
    private function checkFar(string $forecast, MasterItem $item, string $site, string $start, int $qty): void
    {
        $cells = fn () => ForecastCellRow::query()->where(['forecast' => $forecast, 'item_code' => $item->code, 'site_code' => $site]);
        $stands = (int) $cells()->where('start', $start)->value('qty');
        $usual = $stands > 0 ? $stands : (int) $cells()->max('qty');
        if ($qty > 0 && $usual > 0 && QuantityGuard::isAbsurd($usual, $qty)) {
            $line = Words::say(new Phrase('refused.draft.far_line', [
                'item' => $item->code, 'before' => new Amount($usual, $item->unit), 'after' => new Amount($qty, $item->unit),
            ]));
            throw Refused::because('forecast.far', ['lines' => $line], 'absurd', ['lines' => [$line]]);
        }
    }

    private function quantity(string $text, MasterItem $item): int
    {
        try {
            $qty = Quantity::parse(trim($text) === '' ? '0' : trim($text));
        } catch (InvalidQuantity $trouble) {
            throw Refused::because('forecast.wrong', ['trouble' => $trouble->phrase()], 'quantity');
        }
        if ($qty < 0) {
            throw Refused::because('forecast.negative', [], 'quantity');
        }
        try {
            SoundChange::checkAmount($item->code, $qty);
        } catch (Unsound $trouble) {
            throw Refused::because('forecast.wrong', ['trouble' => $trouble->phrase()], 'quantity');
        }
        if (! Quantity::fits($qty, (int) $item->decimals)) {
            throw Refused::because(
                'forecast.decimals',
                ['item' => $item->code, 'decimals' => (int) $item->decimals, 'qty' => new Amount($qty)],
                'quantity',
            );
        }

        return $qty;
    }

    private function checkStart(string $start, BucketSize $bucket): void
    {
        try {
            $day = Day::parse($start);
        } catch (InvalidDay $trouble) {
            throw Refused::because('forecast.wrong', ['trouble' => $trouble->phrase()], 'date');
        }
        if ($bucket->startOf($day) !== $day) {
            throw Refused::because('forecast.start', ['start' => $start, 'bucket' => new Phrase("bucket.{$bucket->value}")], 'date');
        }
    }
}

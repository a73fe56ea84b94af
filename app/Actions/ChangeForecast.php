<?php

declare(strict_types=1);

namespace App\Actions;

use App\Intake\CellText;
use App\Intake\TypedFigure;
use App\Models\User;
use App\Planning\ForecastGround;
use App\Planning\NetworkReader;
use App\Support\Idempotency;
use App\Support\Refused;
use App\Support\RelativeNumber;
use App\Support\WriteTurn;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\InvalidDay;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\Item;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\InvalidQuantity;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Study\SoundChange;
use Yposta\Core\Study\Unsound;
use Yposta\Core\Support\Phrase;

/** Writes figures that were typed or pasted into the cells of a forecast: one or a whole block, all or none. */
final readonly class ChangeForecast
{
    public function __construct(private WriteForecast $write, private NetworkReader $reader)
    {
    }

    /**
     * @param  list<TypedFigure>  $figures
     * @param  BucketSize|null  $size  what items are kept in that come into the forecast with this; null where none may
     * @param  'point'|'comma'|null  $decimal  what decimals are parted with; null where the figures tell
     * @param  bool  $sure  whether the person has seen which of them are far from what stood there
     * @param  string  $key  of the command, so that it is done once
     * @return array<string, mixed> ForecastWritten
     *
     * @throws Refused when a figure or period is wrong, a number can be read in two ways, or someone else has changed a cell
     */
    public function __invoke(
        string $forecast, array $figures, ?BucketSize $size, ?string $decimal, bool $sure, string $key, User $by,
    ): array {
        trim($forecast) !== '' || throw Refused::because('forecast.unnamed', [], 'name');
        $texts = array_column($figures, 'qty');
        $reads = new CellText($decimal ?? CellText::decimalOf($texts), []);
        $numbers = array_map($reads->number(...), $texts);
        $reads->ambiguous === null || throw Refused::because('intake.ambiguous', ['number' => $reads->ambiguous], 'decimal', ['number' => $reads->ambiguous]);

        return Idempotency::once($key, 'forecast', $by, function () use ($forecast, $figures, $numbers, $size, $sure, $by): array {
            WriteTurn::take();
            $ground = ForecastGround::of($forecast, array_values(array_unique(array_column($figures, 'item'))), $this->reader);
            $rows = $stale = [];
            foreach ($figures as $place => $figure) {
                $row = $this->row($ground, $figure, $numbers[$place], $size);
                $name = ForecastGround::name($row->item, $row->site, $row->start);
                isset($rows[$name]) && throw Refused::because('forecast.twice', ['item' => $row->item, 'start' => $figure->start], 'twice');
                ($ground->versions[$name] ?? 0) === $figure->version || $stale[] = $row;
                $rows[$name] = $row;
            }
            $stale === [] || throw $this->stale($ground, $stale);

            return ($this->write)($ground, array_values($rows), $by, $sure);
        });
    }

    /** @throws Refused */
    private function row(ForecastGround $ground, TypedFigure $figure, string $number, ?BucketSize $size): ForecastBucket
    {
        $item = $ground->item($figure->item);
        $known = $ground->sizes[Network::key($figure->item, $figure->site)] ?? null;
        $kept = $known ?? $size;
        if ($item === null || $kept === null || ! isset($ground->network->sites[$figure->site])) {
            throw Refused::because('forecast.none', ['forecast' => $ground->forecast, 'item' => $figure->item, 'site' => $figure->site]);
        }
        try {
            $start = Day::parse($figure->start);
        } catch (InvalidDay $trouble) {
            throw Refused::because('forecast.wrong', ['trouble' => $trouble->phrase()], 'date');
        }
        $start = $known === null ? $kept->startOf($start) : $start; // what comes into the forecast begins with the period of that day
        if ($kept->startOf($start) !== $start) {
            throw Refused::because('forecast.start', ['start' => $figure->start, 'bucket' => new Phrase("bucket.{$kept->value}")], 'date');
        }
        $ground->span->isOpen($start, $kept) || throw Refused::because('forecast.closed', ['start' => $figure->start], 'closed');

        return ForecastBucket::of(
            forecast: $ground->forecast, item: $item->code, site: $figure->site, bucket: $kept, start: $start,
            qty: $this->quantity($number, $item, $ground->cells[ForecastGround::name($item->code, $figure->site, $start)]->qty ?? 0),
        );
    }

    /**
     * A number, or how many percent more or less than what stands there.
     *
     * @param  int  $stands  millionths
     *
     * @throws Refused
     */
    private function quantity(string $text, Item $item, int $stands): int
    {
        $relative = RelativeNumber::tryOf($text);
        if ($relative?->isPercent === true) {
            return $relative->of($stands, true, $item->step());
        }
        try {
            $qty = Quantity::parse(trim($text) === '' ? '0' : trim($text));
            SoundChange::checkAmount($item->code, max(0, $qty));
        } catch (InvalidQuantity|Unsound $trouble) {
            throw Refused::because('forecast.wrong', ['trouble' => $trouble->phrase()], 'quantity');
        }
        $qty >= 0 || throw Refused::because('forecast.negative', [], 'quantity');
        if (! Quantity::fits($qty, $item->decimals)) {
            throw Refused::because('forecast.decimals', ['item' => $item->code, 'decimals' => $item->decimals, 'qty' => new Amount($qty)], 'quantity');
        }

        return $qty;
    }

    /** @param  non-empty-list<ForecastBucket>  $rows  that stand otherwise by now than the person saw them */
    private function stale(ForecastGround $ground, array $rows): Refused
    {
        $cells = [];
        foreach ($rows as $row) {
            $name = ForecastGround::name($row->item, $row->site, $row->start);
            $cells[] = [
                'item' => $row->item, 'site' => $row->site, 'start' => Day::format($row->start),
                'qty' => Quantity::format($ground->cells[$name]->qty ?? 0), 'version' => $ground->versions[$name] ?? 0,
            ];
        }
        $now = $ground->cells[ForecastGround::name($rows[0]->item, $rows[0]->site, $rows[0]->start)]->qty ?? 0;
        $unit = $ground->item($rows[0]->item)->unit ?? '';

        return count($rows) === 1
            ? Refused::because('forecast.stale', ['now' => new Amount($now, $unit), 'typed' => new Amount($rows[0]->qty, $unit)], 'stale', $cells[0])
            : Refused::because('forecast.stale_many', ['count' => count($rows)], 'stale', ['cells' => array_slice($cells, 0, 100)]);
    }
}

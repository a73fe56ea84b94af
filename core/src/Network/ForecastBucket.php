<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Calendar\Day;
use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Checked;
use Yposta\Core\Declaration\Choice;
use Yposta\Core\Declaration\Code;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Support\Phrase;

/**
 * A forecast for one day, ISO week or month. `start` is a day number, `qty` in millionths.
 */
#[BundleFile('forecasts.csv', 'forecast_buckets', ['forecast', 'item', 'site', 'start'])]
final readonly class ForecastBucket implements Checked
{
    use Row;

    #[Column(new Code)]
    public string $forecast;

    #[Column(new RowOf(Item::class))]
    public string $item;

    #[Column(new RowOf(Site::class))]
    public string $site;

    #[Column(new Choice(BucketSize::class))]
    public BucketSize $bucket;

    #[Column(new DayColumn)]
    public int $start;

    #[Column(new Decimal('item'))]
    public int $qty;

    public function faults(): iterable
    {
        $begin = $this->bucket->startOf($this->start);
        if ($begin !== $this->start) {
            yield Fault::of(
                'no_start',
                [
                    'day' => Day::format($this->start),
                    'bucket' => new Phrase("bucket.{$this->bucket->value}"),
                    'begin' => Day::format($begin),
                ],
                'start',
            );
        }
    }
}

<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\Network;

/** Gives a forecast another quantity in a period, millionths; the period by its first day. */
final readonly class SetForecast implements Change
{
    public function __construct(
        public string $forecast,
        public string $item,
        public string $site,
        #[Column(new DayColumn)] public int $start,
        #[Column(new Decimal('item'))] public int $qty,
    ) {
    }

    public function apply(Network $network): Network
    {
        $this->bucket($network);

        return $network->with(forecasts: array_map(
            fn (ForecastBucket $bucket) => $this->is($bucket) ? $bucket->with(qty: $this->qty) : $bucket, $network->forecasts,
        ));
    }

    public function inverse(Network $before): array
    {
        return [new self($this->forecast, $this->item, $this->site, $this->start, $this->bucket($before)->qty)];
    }

    private function bucket(Network $network): ForecastBucket
    {
        foreach ($network->forecasts as $bucket) {
            if ($this->is($bucket)) {
                return $bucket;
            }
        }
        throw DoesNotFit::because('no_forecast', ['forecast' => "{$this->forecast} {$this->item}"]);
    }

    private function is(ForecastBucket $bucket): bool
    {
        return [$bucket->forecast, $bucket->item, $bucket->site, $bucket->start]
            === [$this->forecast, $this->item, $this->site, $this->start];
    }
}

<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\SalesLine;

/** Puts sales lines and forecast buckets back as they were. */
final readonly class PutDemand implements Change
{
    /**
     * @param  list<SalesLine>  $sales
     * @param  list<ForecastBucket>  $forecasts
     */
    public function __construct(public array $sales, public array $forecasts)
    {
    }

    public function apply(Network $network): Network
    {
        $sales = $forecasts = [];
        foreach ($this->sales as $line) {
            $sales[self::line($line)] = $line;
        }
        foreach ($this->forecasts as $bucket) {
            $forecasts[self::bucket($bucket)] = $bucket;
        }

        return $network->with(
            sales: array_map(fn (SalesLine $line) => $sales[self::line($line)] ?? $line, $network->sales),
            forecasts: array_map(fn (ForecastBucket $bucket) => $forecasts[self::bucket($bucket)] ?? $bucket, $network->forecasts),
        );
    }

    public function inverse(Network $before): array
    {
        $sales = array_fill_keys(array_map(self::line(...), $this->sales), true);
        $forecasts = array_fill_keys(array_map(self::bucket(...), $this->forecasts), true);

        return [new self(
            array_values(array_filter($before->sales, fn (SalesLine $line) => isset($sales[self::line($line)]))),
            array_values(array_filter($before->forecasts, fn (ForecastBucket $bucket) => isset($forecasts[self::bucket($bucket)]))),
        )];
    }

    private static function line(SalesLine $line): string
    {
        return "{$line->order}\x1f{$line->line}";
    }

    private static function bucket(ForecastBucket $bucket): string
    {
        return "{$bucket->forecast}\x1f{$bucket->item}\x1f{$bucket->site}\x1f{$bucket->start}";
    }
}

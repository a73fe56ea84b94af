<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\RowsOf;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\JobLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\SalesLine;

/** Puts sales lines and forecast buckets back as they were. */
final readonly class PutDemand implements Change
{
    /**
     * @param  list<SalesLine>  $sales
     * @param  list<ForecastBucket>  $forecasts
     * @param  list<JobLine>  $jobLines
     */
    public function __construct(
        #[RowsOf(SalesLine::class)] public array $sales,
        #[RowsOf(ForecastBucket::class)] public array $forecasts,
        #[RowsOf(JobLine::class)] public array $jobLines = [],
    ) {
    }

    public function apply(Network $network): Network
    {
        $sales = $forecasts = $jobLines = [];
        foreach ($this->jobLines as $line) {
            $jobLines[self::key($line)] = $line;
        }
        foreach ($this->sales as $line) {
            $sales[self::key($line)] = $line;
        }
        foreach ($this->forecasts as $bucket) {
            $forecasts[self::key($bucket)] = $bucket;
        }

        return $network->with(
            sales: array_map(fn (SalesLine $line) => $sales[self::key($line)] ?? $line, $network->sales),
            forecasts: array_map(fn (ForecastBucket $bucket) => $forecasts[self::key($bucket)] ?? $bucket, $network->forecasts),
            jobLines: array_map(fn (JobLine $line) => $jobLines[self::key($line)] ?? $line, $network->jobLines),
        );
    }

    public function inverse(Network $before): array
    {
        $sales = array_fill_keys(array_map(self::key(...), $this->sales), true);
        $forecasts = array_fill_keys(array_map(self::key(...), $this->forecasts), true);

        $jobLines = array_fill_keys(array_map(self::key(...), $this->jobLines), true);

        return [new self(
            array_values(array_filter($before->sales, fn (SalesLine $line) => isset($sales[self::key($line)]))),
            array_values(array_filter($before->forecasts, fn (ForecastBucket $bucket) => isset($forecasts[self::key($bucket)]))),
            array_values(array_filter($before->jobLines, fn (JobLine $line) => isset($jobLines[self::key($line)]))),
        )];
    }

    private static function key(SalesLine|ForecastBucket|JobLine $row): string
    {
        return (string) Declaration::of($row::class)->keyOf($row);
    }
}

<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\JobLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Quantity\Factor;

/** Takes more or less demand than there is: sales lines that are not shipped and forecasts, of some items or customers or of all. */
final readonly class ScaleDemand implements Change
{
    /**
     * @param  int  $percent  of what there is; 120 is a fifth more
     * @param  list<string>  $items  none for all
     * @param  list<string>  $customers  none for all; forecasts have none and are left alone when some are given
     */
    public function __construct(public int $percent, public array $items = [], public array $customers = [])
    {
    }

    public function apply(Network $network): Network
    {
        if ($this->percent < 0 || $this->percent > 10_000) {
            throw DoesNotFit::because('percent', ['most' => 10_000]);
        }
        foreach ($this->items as $item) {
            isset($network->items[$item]) || throw DoesNotFit::because('no_item', ['item' => $item]);
        }
        $known = [...array_column($network->sales, 'customer'), ...array_column($network->jobs, 'customer')];
        foreach ($this->customers as $customer) {
            in_array($customer, $known, true) || throw DoesNotFit::because('no_customer', ['customer' => $customer]);
        }
        $sales = array_map(
            fn (SalesLine $line) => $this->concerns($line->item, $line->customer)
                ? $line->with(qty: $line->shipped + $this->scaled($network, $line->item, $line->open()))
                : $line,
            $network->sales,
        );
        $forecasts = $this->customers !== [] ? $network->forecasts
            : array_map(
                fn (ForecastBucket $bucket) => $this->concerns($bucket->item, '')
                    ? $bucket->with(qty: $this->scaled($network, $bucket->item, $bucket->qty))
                    : $bucket,
                $network->forecasts,
            );

        $jobLines = array_map(
            fn (JobLine $line) => $this->concernsLine($network, $line)
                ? $line->with(qty: $line->issued + $this->scaled($network, (string) $line->item, $line->open()))
                : $line,
            $network->jobLines,
        );

        return $network->with(sales: $sales, forecasts: $forecasts, jobLines: $jobLines);
    }

    public function inverse(Network $before): array
    {
        return [new PutDemand(
            array_values(array_filter($before->sales, fn (SalesLine $line) => $this->concerns($line->item, $line->customer))),
            $this->customers !== []
                ? []
                : array_values(array_filter($before->forecasts, fn (ForecastBucket $bucket) => $this->concerns($bucket->item, ''))),
            array_values(array_filter($before->jobLines, fn (JobLine $line) => $this->concernsLine($before, $line))),
        )];
    }

    /** Lines of jobs that are demand. */
    private function concernsLine(Network $network, JobLine $line): bool
    {
        return $line->wanted() !== null && $this->concerns($line->wanted(), $network->jobs[$line->job]->customer);
    }

    private function concerns(string $item, string $customer): bool
    {
        return ($this->items === [] || in_array($item, $this->items, true))
            && ($this->customers === [] || in_array($customer, $this->customers, true));
    }

    private function scaled(Network $network, string $item, int $qty): int
    {
        return Factor::share($qty, $this->percent, 100, $network->items[$item]->step());
    }
}

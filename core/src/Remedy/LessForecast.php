<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Scheduling\Load;
use Yposta\Core\Scheduling\Overflow;
use Yposta\Core\Study\SetForecast;
use Yposta\Core\Support\Phrase;

/** What a work centre has no room for is not forecast any more, as far as it is forecast. */
final readonly class LessForecast extends Remedy
{
    /** @param  non-empty-list<SetForecast>  $changes */
    private function __construct(array $changes, private string $items)
    {
        parent::__construct($changes);
    }

    /** @return list<self> one, or none where no forecast is behind it */
    public static function find(Plan $plan, Load $load, string $centre, int $place): array
    {
        $changes = $items = [];
        foreach ((new Overflow($plan, $load->cells[$centre][$place], $load->at($centre, $place)))->unfit($plan) as [$one, $qty]) {
            $demand = $one->demand;
            $point = $plan->structure->points[$demand->point];
            if ($demand->kind !== DemandKind::Forecast) {
                continue;
            }
            foreach ($plan->network->forecasts as $bucket) {
                if (self::is($bucket, $demand->name, $point->item->code, $point->site->code, $demand->line)) {
                    $key = "{$bucket->forecast} {$bucket->item} {$bucket->site} {$bucket->start}";
                    $left = ($changes[$key]->qty ?? $bucket->qty) - $qty;
                    $changes[$key] = new SetForecast($bucket->forecast, $bucket->item, $bucket->site, $bucket->start, max(0, $left));
                    $items[$bucket->item] = true;
                }
            }
        }

        return $changes === [] ? [] : [new self(array_values($changes), implode(', ', array_map(strval(...), array_keys($items))))];
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::LessForecast;
    }

    protected function values(): array
    {
        return ['items' => $this->items, 'periods' => new Phrase('periods', ['count' => count($this->changes)])];
    }

    private static function is(ForecastBucket $bucket, string $forecast, string $item, string $site, string $start): bool
    {
        return [$bucket->forecast, $bucket->item, $bucket->site, Day::format($bucket->start)] === [$forecast, $item, $site, $start];
    }
}

<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Calendar\Date;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\Site;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Study\PutOrder;

/** Stock that nobody needs at a site from which goods are moved here. */
final readonly class TransferFree extends Remedy
{
    private function __construct(PutOrder $change, public Amount $qty, public int $due, public string $site)
    {
        parent::__construct([$change]);
    }

    /** @return list<self> */
    public static function find(Situation $in): array
    {
        $found = [];
        $point = $in->need->point;
        foreach ($in->plan->network->sites as $site) {
            $lead = self::way($in, $site, $point->site);
            $free = $site->code === $point->site->code ? 0 : $in->freeStock($point->item->code, $site->code);
            if ($lead !== null && $free > 0) {
                $qty = min($free, $in->need->short);
                $due = $point->calendar->forward($in->plan->options->planDate, $lead);
                $found[] = new self(
                    $in->order(OrderKind::Transfer, $qty, $due, $in->plan->options->planDate, fromSite: $site->code),
                    $in->amount($qty), $due, $site->name,
                );
            }
        }

        return $found;
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::Transfer;
    }

    protected function values(): array
    {
        return ['qty' => $this->qty, 'due' => new Date($this->due), 'site' => $this->site];
    }

    /** Working days from one site to another: the longest lead time of what is planned to come that way; null when nothing does. */
    private static function way(Situation $in, Site $from, Site $to): ?int
    {
        $ways = array_filter($in->plan->network->planning, fn (Planning $row) => $row->supply === OrderKind::Transfer
            && in_array([$row->fromSite, $row->site], [[$from->code, $to->code], [$to->code, $from->code]], true));

        return $ways === [] ? null : max(array_map(fn (Planning $row) => $row->leadDays ?? 0, array_values($ways)));
    }
}

<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Amount;

/** So much of what a job has got of a line is in stock again. */
final readonly class ReturnFromJob implements MovesStock
{
    use JobChange;

    /** @param  int  $qty  millionths */
    public function __construct(public string $job, public string $line, #[Column(new Decimal)] public int $qty)
    {
    }

    public function apply(Network $network): Network
    {
        $own = self::wanting($network, $this->job, $this->line);
        $item = (string) $own->item;
        $this->qty <= $own->issued || throw DoesNotFit::because('job_has_less', [
            'line' => $own->reference()->name, 'qty' => new Amount($own->issued, $network->items[$item]->unit),
        ]);

        return self::putLine(StockRows::add($network, $item, $own->site, $this->qty), $own->with(issued: $own->issued - $this->qty));
    }

    public function inverse(Network $before): array
    {
        $own = self::wanting($before, $this->job, $this->line);
        $issue = new IssueToJob($this->job, $this->line, $this->qty, StockRows::owed($before, (string) $own->item, $own->site) > 0);

        return [$issue, ...StockRows::holdsBack($before, $issue->apply($this->apply($before)))];
    }

    public function postings(Network $before): array
    {
        $own = self::wanting($before, $this->job, $this->line);

        return [new StockPosting(PostingKind::Issue, (string) $own->item, $own->site, $this->qty, (string) $own->reference())];
    }
}

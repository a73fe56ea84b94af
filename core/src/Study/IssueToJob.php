<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Amount;

/** So much of a line of a job leaves the stock for it. */
final readonly class IssueToJob implements MovesStock
{
    use JobChange;

    /**
     * @param  int  $qty  millionths
     * @param  bool  $below  whether more may be there than the books have
     */
    public function __construct(
        public string $job,
        public string $line,
        #[Column(new Decimal)] public int $qty,
        public bool $below = false,
    ) {
    }

    public function apply(Network $network): Network
    {
        $own = self::wanting($network, $this->job, $this->line);
        $item = (string) $own->item;
        $unit = $network->items[$item]->unit;
        $this->qty <= $own->open() || throw DoesNotFit::because('job_wants_less', [
            'line' => $own->reference()->name, 'qty' => new Amount($this->qty, $unit), 'open' => new Amount($own->open(), $unit),
        ]);
        $network = StockRows::take($network, $item, $own->site, $this->qty, (string) $own->reference(), $this->below);

        return self::putLine($network, $own->with(issued: $own->issued + $this->qty));
    }

    public function inverse(Network $before): array
    {
        return [new ReturnFromJob($this->job, $this->line, $this->qty), ...StockRows::holdsBack($before, $this->apply($before))];
    }

    public function postings(Network $before): array
    {
        $own = self::wanting($before, $this->job, $this->line);

        return [new StockPosting(PostingKind::Issue, (string) $own->item, $own->site, -$this->qty, (string) $own->reference())];
    }
}

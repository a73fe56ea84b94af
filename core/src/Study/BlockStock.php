<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Network;
use Yposta\Core\Reference\Reference;

/** So much of an item at a site may not be used any more, or may be used again. What is held for somebody is not blocked. */
final readonly class BlockStock implements MovesStock
{
    /**
     * @param  int  $qty  millionths
     * @param  bool  $released  whether it may be used again
     * @param  bool  $below  whether more may be there than the books have
     */
    public function __construct(
        public string $item,
        public string $site,
        #[Column(new Decimal)] public int $qty,
        public bool $released = false,
        public bool $below = false,
    ) {
    }

    public function apply(Network $network): Network
    {
        return $this->released
            ? StockRows::add(StockRows::takeBlocked($network, $this->item, $this->site, $this->qty), $this->item, $this->site, $this->qty)
            : StockRows::addBlocked(
                StockRows::take($network, $this->item, $this->site, $this->qty, below: $this->below), $this->item, $this->site, $this->qty,
            );
    }

    public function inverse(Network $before): array
    {
        return [new self($this->item, $this->site, $this->qty, ! $this->released, StockRows::owed($before, $this->item, $this->site) > 0)];
    }

    public function postings(Network $before): array
    {
        $stock = (string) Reference::stock($this->item, $this->site);
        $blocked = $this->released ? -$this->qty : $this->qty;

        return [
            new StockPosting(PostingKind::Block, $this->item, $this->site, -$blocked, $stock),
            new StockPosting(PostingKind::Block, $this->item, $this->site, $blocked, $stock, true),
        ];
    }
}

<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Network;
use Yposta\Core\Reference\Reference;

/** So much of what is blocked is of no use and leaves, or is there after all. */
final readonly class ScrapBlocked implements MovesStock
{
    /**
     * @param  int  $qty  millionths
     * @param  bool  $back  whether it is there after all
     */
    public function __construct(
        public string $item,
        public string $site,
        #[Column(new Decimal)] public int $qty,
        public bool $back = false,
    ) {
    }

    public function apply(Network $network): Network
    {
        return $this->back
            ? StockRows::addBlocked($network, $this->item, $this->site, $this->qty)
            : StockRows::takeBlocked($network, $this->item, $this->site, $this->qty);
    }

    public function inverse(Network $before): array
    {
        return [new self($this->item, $this->site, $this->qty, ! $this->back)];
    }

    public function postings(Network $before): array
    {
        $moved = $this->back ? $this->qty : -$this->qty;

        return [new StockPosting(
            PostingKind::Scrap, $this->item, $this->site, $moved, (string) Reference::stock($this->item, $this->site), true,
        )];
    }
}

<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

/** What a change moves of the stock of an item at a site, for the ledger. */
final readonly class StockPosting
{
    /**
     * @param  int  $qty  millionths; below 0 where it leaves the stock
     * @param  string  $document  reference of the order, of its component, or of the sales line that it is for; empty where there is none
     * @param  bool  $blocked  whether it is stock that nobody may use
     */
    public function __construct(
        public PostingKind $kind,
        public string $item,
        public string $site,
        public int $qty,
        public string $document = '',
        public bool $blocked = false,
    ) {
    }
}

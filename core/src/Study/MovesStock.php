<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;

/** A change that moves stock, and says what and why; nothing else writes stock. */
interface MovesStock extends Change
{
    /**
     * @param  Network  $before  that it fits
     * @return list<StockPosting> whose sum by item and site is what it does to the stock
     */
    public function postings(Network $before): array;
}

<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

/** A change of one order, which a network knows by its code. */
interface OfOrder extends Change
{
    public function orderCode(): string;
}

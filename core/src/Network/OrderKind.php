<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/** How a supply comes about. */
enum OrderKind: string
{
    case Make = 'make';
    case Buy = 'buy';
    case Transfer = 'transfer';
}

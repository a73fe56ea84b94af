<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/** Firm: not started. Released: started or sent. */
enum OrderStatus: string
{
    case Firm = 'firm';
    case Released = 'released';
}

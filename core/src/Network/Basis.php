<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/** Whether a structure line counts per unit made or once per order. */
enum Basis: string
{
    case Unit = 'unit';
    case Order = 'order';
}

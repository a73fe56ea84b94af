<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/** Whether a centre's units are people or machines. */
enum WorkCentreKind: string
{
    case People = 'people';
    case Machine = 'machine';
}

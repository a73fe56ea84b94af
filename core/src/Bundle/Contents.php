<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use Yposta\Core\Network\Network;
use Yposta\Core\Options\Options;

/** A sound bundle: the network, the options of its plan, and what is odd but does not stop anyone. */
final readonly class Contents
{
    /** @param  list<RowError>  $warnings */
    public function __construct(public Network $network, public Options $options, public array $warnings)
    {
    }
}

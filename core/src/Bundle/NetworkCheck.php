<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use Yposta\Core\Network\Network;
use Yposta\Core\Options\Options;

/** A check of what a bundle holds as a whole, once all its rows are sound. */
interface NetworkCheck
{
    public function check(Network $network, Options $options, Findings $findings): void;
}

<?php

declare(strict_types=1);

namespace Yposta\Core\Options;

use InvalidArgumentException;
use Yposta\Core\Support\CarriesPhrase;
use Yposta\Core\Support\Spoken;

/** Options that contradict each other, or name something that is not there. */
final class InvalidOptions extends InvalidArgumentException implements Spoken
{
    use CarriesPhrase;
}

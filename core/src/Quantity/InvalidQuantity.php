<?php

declare(strict_types=1);

namespace Yposta\Core\Quantity;

use InvalidArgumentException;
use Yposta\Core\Support\CarriesPhrase;
use Yposta\Core\Support\Spoken;

/** A text that is no quantity; it says why, without naming where it stands. */
final class InvalidQuantity extends InvalidArgumentException implements Spoken
{
    use CarriesPhrase;
}

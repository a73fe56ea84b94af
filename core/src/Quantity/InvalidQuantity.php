<?php

declare(strict_types=1);

namespace Yposta\Core\Quantity;

use InvalidArgumentException;

/** A text that is no quantity; the message says why, without naming where it stands. */
final class InvalidQuantity extends InvalidArgumentException
{
}

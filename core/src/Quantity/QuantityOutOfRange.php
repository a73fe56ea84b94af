<?php

declare(strict_types=1);

namespace Yposta\Core\Quantity;

use RuntimeException;

/** A requirement or lot beyond what a quantity can hold. */
final class QuantityOutOfRange extends RuntimeException
{
    /** The same trouble, told with the item and site in which it arose. */
    public function at(string $item, string $site): self
    {
        return new self("{$item} at {$site}: {$this->getMessage()}", 0, $this);
    }
}

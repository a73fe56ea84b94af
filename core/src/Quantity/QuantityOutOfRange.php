<?php

declare(strict_types=1);

namespace Yposta\Core\Quantity;

use RuntimeException;
use Yposta\Core\Support\CarriesPhrase;
use Yposta\Core\Support\Phrase;
use Yposta\Core\Support\Spoken;

/** A requirement or lot beyond what a quantity can hold. */
final class QuantityOutOfRange extends RuntimeException implements Spoken
{
    use CarriesPhrase;

    /** The same trouble, told with the item and site in which it arose. */
    public function at(string $item, string $site): self
    {
        return new self(new Phrase('range.at', ['item' => $item, 'site' => $site, 'trouble' => $this->phrase]), $this);
    }
}

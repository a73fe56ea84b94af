<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

/** An immutable row that can be had with other values. */
trait Changeable
{
    /**
     * The same with other values.
     *
     * @param  mixed  ...$values  by the name of the constructor's argument
     */
    public function with(mixed ...$values): self
    {
        return new self(...[...get_object_vars($this), ...$values]); // @phpstan-ignore argument.type (the constructor checks them)
    }
}

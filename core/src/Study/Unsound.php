<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Quantity\Amount;
use Yposta\Core\Support\Phrase;

/** A change would write a row that no bundle could bring: a wrong number, day or reference. */
final class Unsound extends DoesNotFit
{
    public static function row(Phrase $problem): self
    {
        return new self($problem);
    }

    public static function tooMuch(string $item, int $qty, int $most): self
    {
        return new self(new Phrase('fit.too_much', ['item' => $item, 'qty' => new Amount($qty), 'most' => new Amount($most)]));
    }
}

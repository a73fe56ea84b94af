<?php

declare(strict_types=1);

namespace Yposta\Core\Reference;

use InvalidArgumentException;
use Yposta\Core\Support\CarriesPhrase;
use Yposta\Core\Support\Spoken;

/** A text that is no reference. */
final class InvalidReference extends InvalidArgumentException implements Spoken
{
    use CarriesPhrase;
}

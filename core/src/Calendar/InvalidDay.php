<?php

declare(strict_types=1);

namespace Yposta\Core\Calendar;

use InvalidArgumentException;
use Yposta\Core\Support\CarriesPhrase;
use Yposta\Core\Support\Spoken;

/** A text that is no day. */
final class InvalidDay extends InvalidArgumentException implements Spoken
{
    use CarriesPhrase;
}

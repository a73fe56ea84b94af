<?php

declare(strict_types=1);

namespace App\Support;

use RuntimeException;

/** Something was worked out on data that others have changed meanwhile; it is worked out again. */
final class Overtaken extends RuntimeException
{
}

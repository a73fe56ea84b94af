<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use RuntimeException;

/** A change speaks of something that is not there any more, or is in another state. The message says it as a sentence without a full stop. */
final class DoesNotFit extends RuntimeException
{
}

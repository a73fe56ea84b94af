<?php

declare(strict_types=1);

namespace Yposta\Core\Options;

/** How large a run may become, so that a slip of the hand in one figure is refused in words and does not use up a machine. */
final readonly class Limits
{
    /** The most lots that one need may take (section 5). */
    public const MOST_LOTS = 1_000_000;

    /**
     * @param  int  $lots  that one need may take, at most {@see self::MOST_LOTS}
     * @param  int  $elements  supplies and demands of a run
     */
    public function __construct(public int $lots = self::MOST_LOTS, public int $elements = PHP_INT_MAX)
    {
    }
}

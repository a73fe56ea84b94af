<?php

declare(strict_types=1);

namespace Yposta\Core\Quantity;

/** Whether a typed quantity is so far from what is proposed that one should ask before ordering it. */
final class QuantityGuard
{
    private const TIMES = 5;

    /**
     * @param  int  $proposed  millionths
     * @param  int  $typed  millionths
     */
    public static function isAbsurd(int $proposed, int $typed): bool
    {
        return intdiv($typed, self::TIMES) > $proposed || intdiv($proposed, self::TIMES) > $typed;
    }
}

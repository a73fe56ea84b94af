<?php

declare(strict_types=1);

namespace Yposta\Core\Reference;

/** Codes of orders that do not exist yet: `new:1`, `new:2` and so on, until they are written and get a number of their kind. */
final class NewOrderCode
{
    private const PREFIX = 'new:';

    public static function is(string $code): bool
    {
        return str_starts_with($code, self::PREFIX);
    }

    /**
     * So many codes that no order has.
     *
     * @param  array<string, mixed>  $taken  by code
     * @return list<string>
     */
    public static function free(array $taken, int $count = 1): array
    {
        $free = [];
        for ($number = 1; count($free) < $count; $number++) {
            $code = self::PREFIX.$number;
            isset($taken[$code]) || $free[] = $code;
        }

        return $free;
    }
}

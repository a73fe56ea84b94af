<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What is bought for something, over all levels. */
final readonly class GrossRows
{
    /**
     * @param  list<GrossRow>  $rows
     */
    public function __construct(
        public array $rows,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Messages from a place of their list on, and how many there are in all. */
final readonly class MessageTasks
{
    /**
     * @param  list<MessageTask>  $rows
     */
    public function __construct(
        public array $rows,
        public int $total,
    ) {
    }
}

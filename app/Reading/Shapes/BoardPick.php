<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** An order or proposal of the board that is looked at: its operations, why they stand there, and who waits for whom. */
final readonly class BoardPick
{
    /**
     * @param  list<BoardStep>  $steps
     * @param  list<BoardNeighbour>  $waitsFor
     * @param  list<BoardNeighbour>  $waited  what waits for it
     * @param  string|null  $trouble  the sentence about its lateness; null where it is in time
     */
    public function __construct(
        public BoardOrder $order,
        public ?Link $page,
        public array $steps,
        public array $waitsFor,
        public array $waited,
        public ?string $trouble,
    ) {
    }
}

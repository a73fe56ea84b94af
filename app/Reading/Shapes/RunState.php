<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A run and how far it is. */
final readonly class RunState
{
    /**
     * @param  list<TodayFigure>  $figures
     */
    public function __construct(
        public int $id,
        public RunStatus $status,
        public ?RunStage $stage,
        public ?string $trouble,
        public array $figures,
    ) {
    }
}

<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A study, what it changes and what came of it. `parameters` are those as sentences. */
final readonly class StudyRow
{
    /**
     * @param  list<string>  $parameters
     * @param  list<StudyChange>  $changes
     * @param  list<TodayFigure>  $figures
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $by,
        public bool $mine,
        public int $version,
        public array $parameters,
        public array $changes,
        public StudySettings $settings,
        public ?RunStatus $status,
        public ?string $trouble,
        public ?string $plannedAt,
        public bool $stale,
        public bool $planned,
        public array $figures,
    ) {
    }
}

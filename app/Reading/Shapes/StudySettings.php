<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What of the parameters of a study differs from the live plan; null where it does not. */
final readonly class StudySettings
{
    /**
     * @param  list<string>|null  $forecasts
     * @param  list<string>|null  $sites
     */
    public function __construct(
        public ?string $horizonEnd,
        public ?array $forecasts,
        public ?array $sites,
        public ?bool $safetyStock,
    ) {
    }
}

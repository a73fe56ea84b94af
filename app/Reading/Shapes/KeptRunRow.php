<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A run kept by name. */
final readonly class KeptRunRow
{
    /**
     * @param  string|null  $dailyAt  time of the company's day at which it begins by itself
     * @param  string|null  $trouble  why it did not begin by itself the last time
     * @param  string  $by  who kept it so
     */
    public function __construct(
        public string $name,
        public RunChoices $choices,
        public ?string $dailyAt,
        public ?string $trouble,
        public string $by,
        public int $version,
    ) {
    }
}

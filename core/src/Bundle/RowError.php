<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

/** What is wrong in one place of a bundle, and what would be right. */
final readonly class RowError
{
    public function __construct(
        public string $file,
        public ?int $line,
        public ?string $column,
        public string $problem,
        public string $remedy = '',
    ) {
    }

    public function __toString(): string
    {
        $place = $this->file.($this->line === null ? '' : " line {$this->line}").($this->column === null ? '' : ", {$this->column}");

        return "{$place}: {$this->problem}".($this->remedy === '' ? '' : "; {$this->remedy}");
    }
}

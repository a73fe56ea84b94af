<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

/** What reading a bundle has found: errors, which refuse it, and warnings, which do not. */
final class Findings
{
    /** @var list<RowError> */
    public array $errors = [];

    /** @var list<RowError> */
    public array $warnings = [];

    public function error(string $file, ?int $line, ?string $column, string $problem, string $remedy = ''): void
    {
        $this->errors[] = new RowError($file, $line, $column, $problem, $remedy);
    }

    public function warn(string $file, ?int $line, ?string $column, string $problem, string $remedy = ''): void
    {
        $this->warnings[] = new RowError($file, $line, $column, $problem, $remedy);
    }
}

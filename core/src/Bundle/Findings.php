<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use Yposta\Core\Declaration\Fault;

/** What reading a bundle has found: errors, which refuse it, and warnings, which do not. */
final class Findings
{
    /** @var list<RowError> */
    public array $errors = [];

    /** @var list<RowError> */
    public array $warnings = [];

    public function isSound(): bool
    {
        return $this->errors === [];
    }

    /**
     * Notes a fault.
     *
     * @param  string|null  $column  as the file calls it
     * @return bool whether it is an error
     */
    public function note(Fault $fault, string $file, ?int $line = null, ?string $column = null): bool
    {
        $found = new RowError($file, $line, $column, $fault->problem, $fault->remedy);
        if ($fault->mild) {
            $this->warnings[] = $found;
        } else {
            $this->errors[] = $found;
        }

        return ! $fault->mild;
    }
}

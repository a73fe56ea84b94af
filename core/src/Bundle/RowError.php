<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use Yposta\Core\Support\Phrase;
use Yposta\Core\Support\Phrasebook;

/** What is wrong in one place of a bundle, and what would be right. */
final readonly class RowError
{
    public function __construct(
        public string $file,
        public ?int $line,
        public ?string $column,
        public Phrase $problem,
        public ?Phrase $remedy = null,
    ) {
    }

    public function say(Phrasebook $book): string
    {
        return implode(
            '; ',
            array_filter(
                [$this->place().': '.$book->say($this->problem), $this->remedy === null ? '' : $book->say($this->remedy)],
                fn (string $part) => $part !== '',
            ),
        );
    }

    public function __toString(): string
    {
        return "{$this->place()}: {$this->problem}";
    }

    private function place(): string
    {
        return $this->file.($this->line === null ? '' : " line {$this->line}").($this->column === null ? '' : ", {$this->column}");
    }
}

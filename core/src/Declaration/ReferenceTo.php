<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;

/** A reference of some kinds to a demand or supply that must be there, held as its text. */
final readonly class ReferenceTo implements ColumnType
{
    use TextColumn;

    /** @param  'supply'|'demand'  $side  stock and open orders, or demands of what is not proposed */
    public function __construct(public string $side)
    {
    }

    public function parse(string $text): mixed
    {
        return $text;
    }

    public function fault(mixed $value, array $values, Surroundings $in): ?Fault
    {
        $reference = is_string($value) ? Reference::tryParse($value) : null;
        $fits = $reference !== null
            && $reference->ofProposal() === null
            && $reference->kind !== ReferenceKind::Proposal
            && $reference->kind->isSupply() === ($this->side === 'supply');

        return match (true) {
            ! $fits => Fault::of("no_{$this->side}", ['text' => is_string($value) ? mb_substr($value, 0, 60) : '']),
            $in->holds($reference) => null,
            default => Fault::of("unknown_{$this->side}", ['text' => (string) $reference]),
        };
    }

    public function mayBeEmpty(): bool
    {
        return false;
    }

    public function describe(): string
    {
        return 'a reference';
    }
}

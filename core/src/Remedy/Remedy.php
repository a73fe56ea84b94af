<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Calendar\Date;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Shortage\Need;
use Yposta\Core\Study\Change;
use Yposta\Core\Support\Phrase;

/** One way out of a shortage, not yet tried. Each kind is a class with its own facts. */
abstract readonly class Remedy
{
    /** @param  non-empty-list<Change>  $changes */
    protected function __construct(public array $changes)
    {
    }

    abstract public function kind(): RemedyKind;

    /**
     * What its sentences tell.
     *
     * @return array<string, int|string|Amount|Date|Phrase|null>
     */
    abstract protected function values(): array;

    /** What it is, in a few words. */
    public function title(): Phrase
    {
        return new Phrase("remedy.{$this->kind()->value}.title", $this->values());
    }

    /** What it takes. */
    public function note(): Phrase
    {
        return new Phrase("remedy.{$this->kind()->value}.note", $this->values());
    }

    /** What to write to someone who has to agree; null where nobody outside has to. */
    public function letter(): ?Phrase
    {
        return null;
    }

    /**
     * The references of what has to be covered once it is done, where that is other than before.
     *
     * @return list<string>
     */
    public function about(): array
    {
        return [];
    }

    /** What stock and open orders do not cover in time of such a need, millionths of the item that was short. */
    public function short(Need $need): int
    {
        return $need->short;
    }

    /** The order that it moves itself and that is therefore not hurt by it. */
    public function moves(): ?string
    {
        return null;
    }
}

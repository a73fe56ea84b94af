<?php

declare(strict_types=1);

namespace Yposta\Core\Trial;

use Yposta\Core\Network\Network;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\Changes;
use Yposta\Core\Support\Phrase;

/**
 * Lines that have been tried one on top of the other, so that a further one does not try them again. Plain values, which can be kept; they
 * tell of the network that they were tried on and of no other.
 */
final readonly class TriedLines
{
    /**
     * @param  list<list<Change>>  $lines
     * @param  list<Effect|null>  $own  of each line; null where it does not fit
     * @param  list<Phrase|null>  $troubles  why it does not fit
     */
    private function __construct(public array $lines, public array $own, public array $troubles)
    {
    }

    public static function none(): self
    {
        return new self([], [], []);
    }

    /**
     * As many of these as a list begins with.
     *
     * @param  list<list<Change>>  $lines
     */
    public function upTo(array $lines): self
    {
        for ($same = 0; $same < count($this->lines) && $same < count($lines) && $this->lines[$same] == $lines[$same]; $same++);

        return new self(
            array_slice($this->lines, 0, $same), array_slice($this->own, 0, $same), array_slice($this->troubles, 0, $same),
        );
    }

    /** @param  list<Change>  $line */
    public function with(array $line, ?Effect $own, ?Phrase $trouble): self
    {
        return new self([...$this->lines, $line], [...$this->own, $own], [...$this->troubles, $trouble]);
    }

    /** The network that they were tried on, with those that fit. */
    public function apply(Network $network): Network
    {
        foreach ($this->lines as $place => $line) {
            $network = $this->own[$place] === null ? $network : (new Changes($line))->apply($network);
        }

        return $network;
    }
}

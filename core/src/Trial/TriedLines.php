<?php

declare(strict_types=1);

namespace Yposta\Core\Trial;

use Yposta\Core\Network\Network;
use Yposta\Core\Study\Change;
use Yposta\Core\Support\Phrase;

/** Lines that have been tried one on top of the other, remembered so that a further one does not try them again. */
final readonly class TriedLines
{
    /**
     * @param  list<list<Change>>  $lines
     * @param  list<Network>  $networks  after each line
     * @param  list<Effect|null>  $own  of each line; null where it does not fit
     * @param  list<Phrase|null>  $troubles  why it does not fit
     * @param  Outcome|null  $outcome  after the last line, where they are still known
     */
    private function __construct(
        private Network $ground,
        public array $lines,
        private array $networks,
        public array $own,
        public array $troubles,
        public ?Outcome $outcome,
    ) {
    }

    public static function none(Network $ground): self
    {
        return new self($ground, [], [], [], [], null);
    }

    /** These, if they were tried on this network, else none. */
    public function on(Network $ground): self
    {
        return $this->ground === $ground ? $this : self::none($ground);
    }

    /**
     * As many of these as a list begins with.
     *
     * @param  list<list<Change>>  $lines
     */
    public function upTo(array $lines): self
    {
        for ($same = 0; $same < count($this->lines) && $same < count($lines) && $this->lines[$same] == $lines[$same]; $same++);

        return $same === count($this->lines) ? $this
            : new self(
                $this->ground, array_slice($this->lines, 0, $same), array_slice($this->networks, 0, $same),
                array_slice($this->own, 0, $same), array_slice($this->troubles, 0, $same), null,
            );
    }

    /** @param  list<Change>  $line */
    public function with(array $line, Network $network, ?Effect $own, ?Phrase $trouble): self
    {
        return new self(
            $this->ground, [...$this->lines, $line], [...$this->networks, $network], [...$this->own, $own],
            [...$this->troubles, $trouble], null,
        );
    }

    public function ending(Outcome $outcome): self
    {
        return new self($this->ground, $this->lines, $this->networks, $this->own, $this->troubles, $outcome);
    }

    public function network(): Network
    {
        return $this->networks === [] ? $this->ground : $this->networks[count($this->networks) - 1];
    }
}

<?php

declare(strict_types=1);

namespace Yposta\Core\Capacity;

/** What an operation of an order or a proposal takes at its own centre. */
final readonly class Work
{
    /**
     * @param  int  $op  its number
     * @param  string  $centre  code of the work centre
     * @param  int  $crew  units that it holds at once
     * @param  int  $minutes  for which it holds them
     * @param  int  $setup  millionths of a minute, before efficiency
     * @param  int  $run  millionths of a minute for the base quantity
     * @param  int  $base  millionths
     * @param  int  $qty  that is left to do, millionths
     * @param  int  $queue  millionths of a minute before it
     * @param  int  $move  millionths of a minute after it
     */
    public function __construct(
        public int $op,
        public string $centre,
        public int $crew,
        public int $minutes,
        public int $setup,
        public int $run,
        public int $base,
        public int $qty,
        public int $queue,
        public int $move,
        public string $family,
    ) {
    }

    /** The same at a centre where it takes other minutes. */
    public function at(string $centre, int $minutes, int $setup): self
    {
        return new self(
            op: $this->op, centre: $centre, crew: $this->crew, minutes: $minutes, setup: $setup, run: $this->run, base: $this->base,
            qty: $this->qty, queue: $this->queue, move: $this->move, family: $this->family,
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A step from nothing to a first plan. */
final readonly class FirstStep
{
    /**
     * @param  string  $why  what it is for
     * @param  bool  $isNeeded  whether there is no plan without it
     * @param  list<DataCount>  $kinds  whose rows it brings
     */
    public function __construct(public string $title, public string $why, public bool $isNeeded, public bool $isDone, public array $kinds)
    {
    }
}

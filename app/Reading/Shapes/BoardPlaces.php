<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What comes of putting operations somewhere, together. */
final readonly class BoardPlaces
{
    /**
     * @param  list<BoardPlace>  $places  of each
     * @param  string  $changes  that put them there, as JSON; empty where one cannot stand there
     */
    public function __construct(public array $places, public string $changes)
    {
    }
}

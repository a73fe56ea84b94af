<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Run\ShopPlace;
use Yposta\Core\Support\Phrase;

/** What comes of putting an operation somewhere. */
final readonly class PlaceCheck
{
    /**
     * @param  int|null  $end  the minute behind its last there; null where it cannot stand there
     * @param  Phrase|null  $trouble  why it cannot
     * @param  list<ShopPlace>  $over  what stands there now and would have to give way
     */
    public function __construct(public ?int $end, public ?Phrase $trouble, public array $over = [])
    {
    }
}

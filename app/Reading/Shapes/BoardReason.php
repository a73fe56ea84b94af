<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Scheduling\PlaceReasonKind;

/** What holds an operation back, and until when. */
final readonly class BoardReason
{
    /** @param  string|null  $of  by which the board asks for what does; null where it is nothing on it */
    public function __construct(public PlaceReasonKind $kind, public string $says, public int $until, public ?string $of)
    {
    }
}

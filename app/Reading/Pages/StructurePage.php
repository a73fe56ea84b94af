<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\DataKind;
use App\Reading\Shapes\StructureOutline;

/** The structure of an item, to be changed. */
final readonly class StructurePage extends Page
{
    public function __construct(public StructureOutline $outline, public DataKind $kind)
    {
    }
}

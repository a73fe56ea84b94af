<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

/** A row with rules between its columns. */
interface Checked
{
    /** @return iterable<Fault> */
    public function faults(): iterable;
}

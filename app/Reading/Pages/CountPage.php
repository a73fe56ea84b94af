<?php

declare(strict_types=1);

namespace App\Reading\Pages;

/** A count of many items. */
final readonly class CountPage extends Page
{
    /** @param  bool  $may  whether the person moves stock */
    public function __construct(public bool $may)
    {
    }
}

<?php

declare(strict_types=1);

namespace App\Reading\Pages;

/** Why a page cannot be shown. */
final readonly class TroublePage extends Page
{
    public function __construct(
        public int $status,
    ) {
    }
}

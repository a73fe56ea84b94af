<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Comparison\DifferenceKind;
use Yposta\Core\Run\MessageCode;

/** A message in two plans. */
final readonly class ComparedMessage
{
    public function __construct(
        public DifferenceKind $kind,
        public MessageCode $code,
        public string $about,
        public string $item,
        public string $site,
        public string $before,
        public string $after,
    ) {
    }
}

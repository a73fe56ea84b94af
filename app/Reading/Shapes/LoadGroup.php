<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Network\WorkCentreKind;

/** The work centres of a site and a kind, with their sum. */
final readonly class LoadGroup
{
    /**
     * @param  value-of<WorkCentreKind>  $kind
     * @param  list<LoadFigure>  $figures  by period
     * @param  list<LoadRow>  $rows
     */
    public function __construct(
        public string $site,
        public string $siteName,
        public string $kind,
        public array $figures,
        public array $rows,
    ) {
    }
}

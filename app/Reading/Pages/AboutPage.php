<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\AboutTable;
use App\Reading\Shapes\DataKind;
use App\Reading\Shapes\DataRecord;
use App\Reading\Shapes\LabelledValue;

/** All that is kept of an item, a supplier or a work centre. */
final readonly class AboutPage extends Page
{
    /**
     * @param  'items'|'suppliers'|'work_centres'  $of
     * @param  DataRecord  $own  its own row
     * @param  list<LabelledValue>  $facts  that are counted, not kept
     * @param  list<AboutTable>  $tables
     */
    public function __construct(
        public string $of,
        public string $code,
        public string $name,
        public DataKind $kind,
        public DataRecord $own,
        public array $facts,
        public array $tables,
    ) {
    }
}

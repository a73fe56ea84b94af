<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Network\OrderKind;

/** An item at a site as the inspector and its page show it. */
final readonly class PointDetail
{
    /**
     * @param  list<LabelledValue>  $facts
     * @param  list<FlowRow>  $flow
     * @param  list<RecordRow>  $record
     * @param  list<StructureRow>  $below
     * @param  list<StructureRow>  $above
     * @param  list<LabelledValue>  $planning
     * @param  list<MessageRow>  $messages
     * @param  list<StockDay>  $history  what stock really was on the days on which it changed; none where nothing has moved
     * @param  string  $stock  what there is now, a decimal, whatever the plan was made of
     * @param  string  $blocked  what is there and may not be used, a decimal
     * @param  string  $owed  what was taken beyond what the books had, a decimal
     */
    public function __construct(
        public string $reference,
        public string $item,
        public string $site,
        public string $siteName,
        public string $name,
        public string $unit,
        public int $decimals,
        public int $level,
        public OrderKind $supply,
        public array $facts,
        public array $flow,
        public array $record,
        public array $below,
        public array $above,
        public array $planning,
        public array $messages,
        public string $safety,
        public array $history,
        public string $stock,
        public string $blocked,
        public string $owed,
    ) {
    }
}

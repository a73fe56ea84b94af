<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\MessageKind;
use App\Reading\Shapes\MessageTask;
use Yposta\Core\Run\MessageCode;

/** What the plan has to say, to be worked through. */
final readonly class MessagesPage extends Page
{
    /**
     * @param  list<MessageKind>  $kinds
     * @param  list<MessageTask>  $tasks
     * @param  array{kind: value-of<MessageCode>|'', q: string, show: 'open'|'away', sort: string}  $filter
     */
    public function __construct(
        public ?int $run,
        public bool $live,
        public array $kinds,
        public array $tasks,
        public int $total,
        public int $away,
        public array $filter,
    ) {
    }
}

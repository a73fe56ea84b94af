<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Run\Supply;

/** An order or a proposal in the schedule. */
final class Job
{
    /** @var non-empty-list<Task> in the order of their numbers */
    public array $tasks;

    /**
     * @param  int  $due  day number, by which rules go
     * @param  int  $latest  day on which it should end: its own, else the due date
     * @param  int  $notBefore  minute
     * @param  int  $listed  place among the orders as they were listed; proposals come after them
     */
    public function __construct(
        public readonly int $place,
        public readonly Supply $supply,
        public readonly int $due,
        public readonly int $latest,
        public readonly int $notBefore,
        public readonly int $listed,
    ) {
    }

    public function last(): Task
    {
        return $this->tasks[count($this->tasks) - 1];
    }

    /** How much more a day late counts. */
    public function weight(): int
    {
        return 10 - $this->supply->priority;
    }
}

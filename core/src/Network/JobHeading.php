<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Checked;
use Yposta\Core\Declaration\Code;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\Text;
use Yposta\Core\Declaration\Whole;

/** A project for a customer: what it needs stands in its lines. The priority is that of their demand; the days have no effect on a run. */
#[BundleFile('jobs.csv', 'jobs_for_customers', ['code'])]
final readonly class JobHeading implements Checked
{
    use Row;

    #[Column(new Code, name: 'job')]
    public string $code;

    #[Column(new Text('code'), note: 'the code')]
    public string $name;

    #[Column(new Text, '')]
    public string $customer;

    #[Column(new Whole(1, 9), '5')]
    public int $priority;

    #[Column(new DayColumn, '')]
    public ?int $begins;

    #[Column(new DayColumn, '')]
    public ?int $ends;

    public function faults(): iterable
    {
        return Fault::ofSpan($this->begins, $this->ends, $this->code);
    }
}

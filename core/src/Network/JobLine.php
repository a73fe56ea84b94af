<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Checked;
use Yposta\Core\Declaration\Code;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Declaration\Flag;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\Text;
use Yposta\Core\Reference\Reference;

/**
 * What a job needs. It is demand, as a sales line is, once it is approved; one without an item is a placeholder, with a text and what it
 * may cost, until it has one. Quantities and `estCost` (of one, in the currency) in millionths.
 */
#[BundleFile('job_lines.csv', 'job_lines', ['job', 'line'])]
final readonly class JobLine implements Checked
{
    use Row;

    #[Column(new RowOf(JobHeading::class))]
    public string $job;

    #[Column(new Code)]
    public string $line;

    #[Column(new Text, '')]
    public string $activity;

    #[Column(new RowOf(Item::class), '')]
    public ?string $item;

    #[Column(new Text, '')]
    public string $text;

    #[Column(new RowOf(Site::class))]
    public string $site;

    #[Column(new Decimal('item', 0))]
    public int $qty;

    /** What the job has got. */
    #[Column(new Decimal('item'), '0')]
    public int $issued;

    #[Column(new DayColumn)]
    public int $due;

    #[Column(new Flag, '0')]
    public bool $approved;

    /** Null for what the item costs. */
    #[Column(new Decimal, '')]
    public ?int $estCost;

    /** The item that it wants once it is approved; null where it wants nothing yet. */
    public function wanted(): ?string
    {
        return $this->approved ? $this->item : null;
    }

    /** What it still needs, in millionths. */
    public function open(): int
    {
        return max(0, $this->qty - $this->issued);
    }

    public function reference(): Reference
    {
        return Reference::job($this->job, $this->line);
    }

    public function faults(): iterable
    {
        $line = ['line' => "{$this->job}/{$this->line}"];
        if ($this->item === null && $this->text === '') {
            yield Fault::of('empty_placeholder', $line, 'item');
        }
        if ($this->item === null && ($this->approved || $this->issued > 0)) {
            yield Fault::of('approved_placeholder', $line, 'approved');
        }
    }
}

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
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\Text;

/** What is done in a job, and when. No effect on a run: each line has its own day. */
#[BundleFile('job_activities.csv', 'job_activities', ['job', 'activity'])]
final readonly class JobActivity implements Checked
{
    use Row;

    #[Column(new RowOf(JobHeading::class))]
    public string $job;

    #[Column(new Code)]
    public string $activity;

    #[Column(new Text('activity'), note: 'the code')]
    public string $name;

    #[Column(new DayColumn, '')]
    public ?int $begins;

    #[Column(new DayColumn, '')]
    public ?int $ends;

    public function faults(): iterable
    {
        return Fault::ofSpan($this->begins, $this->ends, "{$this->job} {$this->activity}");
    }

    /**
     * Lines whose activity there is not.
     *
     * @param  iterable<int, JobLine>  $lines
     * @param  iterable<self>  $activities
     * @return iterable<int, JobLine> by place
     */
    public static function missing(iterable $lines, iterable $activities): iterable
    {
        $known = [];
        foreach ($activities as $row) {
            $known[self::nameOf($row->job, $row->activity)] = true;
        }
        foreach ($lines as $place => $line) {
            if ($line->activity !== '' && ! isset($known[self::nameOf($line->job, $line->activity)])) {
                yield $place => $line;
            }
        }
    }

    private static function nameOf(string $job, string $activity): string
    {
        return "{$job}\x1f{$activity}";
    }
}

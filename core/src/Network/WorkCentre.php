<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Choice;
use Yposta\Core\Declaration\Code;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\Text;
use Yposta\Core\Declaration\Whole;

/**
 * People or machines working side by side. `efficiency` in millionths of a percent.
 */
#[BundleFile('work_centres.csv', 'work_centres', ['code'])]
final readonly class WorkCentre
{
    use Row;

    #[Column(new Code, name: 'work_centre')]
    public string $code;

    #[Column(new Text('code'), note: 'the code')]
    public string $name;

    #[Column(new RowOf(Site::class))]
    public string $site;

    #[Column(new Choice(WorkCentreKind::class), 'people')]
    public WorkCentreKind $kind;

    #[Column(new Whole(0, Whole::MOST_UNITS), '1')]
    public int $units;

    #[Column(new Decimal(above: 0), '100', 'efficiency_pct')]
    public int $efficiency;

    #[Column(new RowOf(CalendarWeek::class), '', note: 'that of the site')]
    public ?string $calendar;
}

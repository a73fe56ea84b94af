<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\Text;

/**
 * Setup time between two families on a centre, in millionths of a minute.
 */
#[BundleFile('setup_changes.csv', 'setup_changes', ['workCentre', 'fromFamily', 'toFamily'])]
final readonly class SetupChange
{
    use Row;

    #[Column(new RowOf(WorkCentre::class))]
    public string $workCentre;

    #[Column(new Text)]
    public string $fromFamily;

    #[Column(new Text)]
    public string $toFamily;

    #[Column(new Decimal, name: 'setup_min')]
    public int $setup;
}

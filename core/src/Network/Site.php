<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Code;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\Text;

/**
 * A place with its own stock and calendar; without a calendar every day works.
 */
#[BundleFile('sites.csv', 'sites', ['code'])]
final readonly class Site
{
    use Row;

    #[Column(new Code, name: 'site')]
    public string $code;

    #[Column(new Text('code'), note: 'the code')]
    public string $name;

    #[Column(new RowOf(CalendarWeek::class), '', note: 'none: every day works')]
    public ?string $calendar;

    /** Where goods for it go, its lines separated by commas. */
    #[Column(new Text, '')]
    public string $address;
}

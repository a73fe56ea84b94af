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
 * Someone who sells; with a calendar of its own its lead times run in that.
 */
#[BundleFile('suppliers.csv', 'suppliers', ['code'])]
final readonly class Supplier
{
    use Row;

    #[Column(new Code, name: 'supplier')]
    public string $code;

    #[Column(new Text('code'), note: 'the code')]
    public string $name;

    #[Column(new RowOf(CalendarWeek::class), '', note: 'that of the site')]
    public ?string $calendar;

    #[Column(new Text, '')]
    public string $currency;

    /** Where orders go, its lines separated by commas. */
    #[Column(new Text, '')]
    public string $address;

    /** Who is written to there. */
    #[Column(new Text, '')]
    public string $contact;

    #[Column(new Text, '')]
    public string $email;

    /** Terms of payment and delivery, as they are printed on orders. */
    #[Column(new Text, '')]
    public string $terms;
}
